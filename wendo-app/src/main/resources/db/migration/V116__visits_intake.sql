-- Double taps are decided from the visits that are stored, which a crash does not forget.
drop function forget_taps(timestamptz);
drop table last_tap;

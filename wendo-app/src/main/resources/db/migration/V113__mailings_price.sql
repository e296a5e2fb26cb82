-- What one segment of a text message costs, in thousandths of the minor unit.
alter table mailing add column segment_millis bigint check (segment_millis >= 0);

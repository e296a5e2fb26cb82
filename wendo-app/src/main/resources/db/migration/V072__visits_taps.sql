-- Who opened which link last, for as long as a second tap would be the same visit again: double taps are decided where
-- visits are stored, whichever process answered them. Worth nothing after a crash, so it is not written to the log.
create unlogged table last_tap (
    business_id uuid not null,
    link_id uuid not null,
    visitor uuid not null,
    click_id uuid not null,
    tapped_at timestamptz not null,
    primary key (link_id, visitor)
) with (fillfactor = 70);
alter table last_tap enable row level security;
create policy last_tap_own on last_tap using (business_id = (select current_business()));
grant select, insert, update on last_tap to ${appRole};

-- Of all businesses at once, for the job that clears it.
create function forget_taps(before_time timestamptz) returns void
    language sql security definer set search_path = public, pg_temp
    as $$ delete from last_tap where tapped_at < before_time $$;
revoke all on function forget_taps(timestamptz) from public;
grant execute on function forget_taps(timestamptz) to ${appRole};

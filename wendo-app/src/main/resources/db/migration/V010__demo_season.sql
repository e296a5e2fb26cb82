-- How far the demo's simulated season has been filled in; it goes on from there at the next start.
create table demo_season (
    business_id uuid primary key references business,
    first_day date not null,
    filled_until timestamptz not null
);
alter table demo_season enable row level security;
create policy demo_season_own on demo_season using (business_id = current_business());
grant select, insert, update on demo_season to ${appRole};

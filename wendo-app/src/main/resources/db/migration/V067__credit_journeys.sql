-- A journey ends with the outcome that it is learned for, so each kind has journeys of its own. Those that are there are
-- taken over for every kind until they are gathered anew.
create table journey_by_kind (
    business_id uuid not null references business,
    kind varchar(10) not null check (kind in ('lead', 'booking', 'purchase')),
    sources uuid[] not null,
    people bigint not null,
    converted bigint not null
);
insert into journey_by_kind
select j.business_id, k.kind, j.sources, j.people, k.converted
from journey j cross join lateral (values ('lead', j.leads), ('booking', j.bookings), ('purchase', j.purchases)) k (kind, converted);
drop table journey;
alter table journey_by_kind rename to journey;
create index on journey (business_id, kind);
alter table journey enable row level security;
create policy journey_own on journey using (business_id = (select current_business()));
grant select, insert, update, delete on journey to ${appRole};

-- What an arrival stands for is found by one join for all of them, rather than by a look for each.
create or replace view arrival_source with (security_invoker = true) as
    select a.*, coalesce(case when a.origin <> 'tagged' then c.source_id end, a.source_id) as stands_for
    from site_arrival a
    left join source_clue c on c.business_id = a.business_id and c.kind = 'referrer' and c.key = a.referrer_host;

-- Daily sums of people's arrivals by what they stand for, kept when the arrivals themselves are forgotten. Of people as of
-- those who came by links: the day, and the day before it that they came on, so that any period counts each once.
create table arrival_sum (
    business_id uuid not null references business,
    source_id uuid not null,
    day date not null,
    arrivals bigint not null,
    primary key (business_id, source_id, day),
    foreign key (business_id, source_id) references source (business_id, id)
);
create table arrival_person_sum (
    business_id uuid not null references business,
    scope varchar(8) not null check (scope in ('business', 'source')),
    scope_id uuid not null,
    day date not null,
    day_before date not null,
    people bigint not null,
    primary key (business_id, scope, scope_id, day, day_before)
);
create index on arrival_person_sum (business_id, scope, day) include (scope_id, day_before, people);
alter table arrival_sum enable row level security;
alter table arrival_person_sum enable row level security;
create policy arrival_sum_own on arrival_sum using (business_id = (select current_business()));
create policy arrival_person_sum_own on arrival_person_sum using (business_id = (select current_business()));
grant select, insert, update, delete on arrival_sum, arrival_person_sum to ${appRole};

insert into arrival_sum
select a.business_id, a.stands_for, (a.arrived_at at time zone b.zone)::date, count(*)
from arrival_source a join business b on b.id = a.business_id
where a.kind = 'person' and a.origin <> 'direct' and a.stands_for is not null group by 1, 2, 3;
insert into arrival_person_sum
select business_id, scope, scope_id, day, coalesce(day_before, '-infinity'), count(*)
from (
    select business_id, scope, scope_id, day,
        lag(day) over (partition by business_id, scope, scope_id, visitor order by day) as day_before
    from (
        select distinct a.business_id, s.scope, s.scope_id, a.visitor, (a.arrived_at at time zone b.zone)::date as day
        from arrival_source a join business b on b.id = a.business_id
        cross join lateral (values ('business', a.business_id), ('source', a.stands_for)) s (scope, scope_id)
        where a.kind = 'person' and a.origin <> 'direct' and a.stands_for is not null) days) chained
group by 1, 2, 3, 4, 5;

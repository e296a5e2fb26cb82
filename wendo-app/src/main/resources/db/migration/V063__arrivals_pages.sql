-- What led people here without a link is summed by day as well, by the page that they came from, and stays when arrivals
-- are forgotten. Whoever comes is counted by what they stand for, by page, by origin and once in all.
create table arrival_page (
    business_id uuid not null references business,
    id uuid not null,
    origin varchar(8) not null,
    source_id uuid,
    referrer_host varchar(255) not null,
    referrer varchar(1500) not null,
    primary key (business_id, id),
    foreign key (business_id, source_id) references source (business_id, id)
);
create table arrival_page_sum (
    business_id uuid not null references business,
    page_id uuid not null,
    day date not null,
    is_person boolean not null,
    arrivals bigint not null,
    latest timestamptz not null,
    primary key (business_id, page_id, day, is_person),
    foreign key (business_id, page_id) references arrival_page (business_id, id)
);
create index on arrival_page_sum (business_id, day) include (page_id, is_person, arrivals, latest);
alter table arrival_page enable row level security;
alter table arrival_page_sum enable row level security;
create policy arrival_page_own on arrival_page using (business_id = (select current_business()));
create policy arrival_page_sum_own on arrival_page_sum using (business_id = (select current_business()));
grant select, insert on arrival_page to ${appRole};
grant select, insert, update, delete on arrival_page_sum to ${appRole};

-- Addresses are long; what is counted by page is counted by this. One that a search engine told is not one of a tag's.
create function arrival_page_id(origin varchar, source uuid, referrer varchar) returns uuid
    language sql immutable
    as $$ select md5(concat_ws(' ', origin, source::text, referrer))::uuid $$;

alter table arrival_person_sum drop constraint arrival_person_sum_scope_check,
    add check (scope in ('business', 'source', 'anyone', 'origin', 'page'));

insert into arrival_page
select distinct business_id, arrival_page_id(origin, source_id, referrer), origin, source_id, referrer_host, referrer
from site_arrival on conflict do nothing;
insert into arrival_page_sum
select a.business_id, arrival_page_id(a.origin, a.source_id, a.referrer), (a.arrived_at at time zone b.zone)::date,
    a.kind = 'person', count(*), max(a.arrived_at)
from site_arrival a join business b on b.id = a.business_id group by 1, 2, 3, 4;
insert into arrival_person_sum
select business_id, scope, scope_id, day, coalesce(day_before, '-infinity'), count(*)
from (
    select business_id, scope, scope_id, day,
        lag(day) over (partition by business_id, scope, scope_id, visitor order by day) as day_before
    from (
        select distinct a.business_id, s.scope, s.scope_id, a.visitor, (a.arrived_at at time zone b.zone)::date as day
        from site_arrival a join business b on b.id = a.business_id
        cross join lateral (values ('anyone', a.business_id), ('origin', md5(a.origin)::uuid),
            ('page', arrival_page_id(a.origin, a.source_id, a.referrer))) s (scope, scope_id)
        where a.kind = 'person' and not (s.scope = 'page' and a.origin = 'direct')) days) chained
group by 1, 2, 3, 4, 5;

create or replace function analyze_arrival_sums() returns void
    language plpgsql security definer set search_path = public
    as $$
    begin
        execute 'analyze arrival_sum, arrival_person_sum, arrival_page, arrival_page_sum';
    end $$;

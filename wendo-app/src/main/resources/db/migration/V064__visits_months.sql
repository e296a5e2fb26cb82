-- Whole months of the daily sums, so that a season is read from a few rows of each link rather than from one for each day.
create table visit_month_sum (
    business_id uuid not null references business,
    link_id uuid not null,
    month date not null check (month = date_trunc('month', month::timestamp)),
    kind varchar(8) not null,
    counted boolean not null,
    visits bigint not null,
    primary key (business_id, link_id, month, kind, counted),
    foreign key (business_id, link_id) references link (business_id, id)
);
create index on visit_month_sum (business_id, month) include (link_id, kind, counted, visits);
alter table visit_month_sum enable row level security;
create policy visit_month_sum_own on visit_month_sum using (business_id = (select current_business()));
grant select, insert, update, delete on visit_month_sum to ${appRole};

insert into visit_month_sum
select business_id, link_id, date_trunc('month', day::timestamp)::date, kind, counted, sum(visits)
from visit_sum group by 1, 2, 3, 4, 5;

-- Visits from a day until before another: the whole months between, and the days before and after them.
create function visits_of_days(first_day date, end_day date)
    returns table (link_id uuid, month date, kind varchar, counted boolean, visits bigint)
    language sql stable
    as $$
        select m.link_id, m.month, m.kind, m.counted, m.visits from visit_month_sum m
        where m.month >= (date_trunc('month', (first_day - 1)::timestamp) + interval '1 month')::date
            and m.month < date_trunc('month', end_day::timestamp)::date
        union all
        select d.link_id, date_trunc('month', first_day::timestamp)::date, d.kind, d.counted, d.visits from visit_sum d
        where d.day >= first_day
            and d.day < least((date_trunc('month', (first_day - 1)::timestamp) + interval '1 month')::date, end_day)
        union all
        select d.link_id, date_trunc('month', end_day::timestamp)::date, d.kind, d.counted, d.visits from visit_sum d
        where d.day >= greatest(date_trunc('month', end_day::timestamp)::date,
                (date_trunc('month', (first_day - 1)::timestamp) + interval '1 month')::date)
            and d.day < end_day
    $$;

create or replace function analyze_visit_sums() returns void
    language plpgsql security definer set search_path = public
    as $$
    begin
        execute 'analyze visit_sum, visit_month_sum, visit_trait_sum, visit_person_sum';
    end $$;

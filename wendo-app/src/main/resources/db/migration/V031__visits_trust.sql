-- How a business lets visitors be told apart, and how many months their visits are kept one by one.
alter table business
    add column keeps_visitor_cookie boolean not null default true,
    add column keeps_visits_months integer not null default 25 check (keeps_visits_months between 1 and 60);

drop function door_link_hosts();
create function door_link_hosts()
    returns table (name varchar, host_id uuid, business_id uuid, business_name varchar, forwards_to varchar,
        keeps_cookie boolean)
    language sql stable security definer set search_path = public
    as $$
        select h.name, h.id, h.business_id, b.name, coalesce(fh.name || '/' || f.slug, ''), b.keeps_visitor_cookie
        from link_host h
        join business b on b.id = h.business_id
        left join link f on f.id = h.forwards_to
        left join link_host fh on fh.id = f.host_id
    $$;

create function tell_business_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('wendo_link_host', new.id::text);
    return new;
end $$;
create trigger business_changed after update on business for each row execute function tell_business_changed();

-- A salt for the visitors of a day who have no cookie. It belongs to no business and is gone with its day.
create table visitor_salt (
    day date primary key,
    salt bytea not null
);
grant select, insert, delete on visitor_salt to ${appRole};

alter table visit
    add column language varchar(8) not null default '',
    add column system varchar(60) not null default '',
    add column browser varchar(60) not null default '';

-- Figures of a link can be counted afresh from a moment; what came before stays, set apart.
alter table link add column counted_from timestamptz;

-- Daily sums of visits, kept up to date as visits arrive, so that figures need not read every visit. Days are the
-- business's own. counted is false for what came before a link's figures were begun afresh. Proofs are in no sum.
create table visit_sum (
    business_id uuid not null references business,
    link_id uuid not null,
    day date not null,
    kind varchar(8) not null,
    counted boolean not null,
    visits bigint not null,
    primary key (business_id, link_id, day, kind, counted),
    foreign key (business_id, link_id) references link (business_id, id)
);
create index on visit_sum (business_id, day) include (link_id, kind, counted, visits);

-- People of a day by the day they were last here before ('-infinity' for none): those of any stretch of days are the
-- rows of these days whose day before lies ahead of the stretch, so each person counts once. scope is business, source
-- or link.
create table visit_person_sum (
    business_id uuid not null references business,
    scope varchar(8) not null,
    scope_id uuid not null,
    counted boolean not null,
    day date not null,
    day_before date not null,
    people bigint not null,
    primary key (business_id, scope, scope_id, counted, day, day_before)
);
create index on visit_person_sum (business_id, scope, day) include (scope_id, counted, day_before, people);

-- People's visits by what is known of them: trait is hour, page, referrer, country, device, system, browser or language.
create table visit_trait_sum (
    business_id uuid not null references business,
    link_id uuid not null,
    day date not null,
    trait varchar(8) not null,
    value varchar(2000) not null,
    counted boolean not null,
    visits bigint not null,
    foreign key (business_id, link_id) references link (business_id, id)
);
create unique index on visit_trait_sum (business_id, link_id, day, trait, counted, md5(value));

alter table visit_sum enable row level security;
alter table visit_person_sum enable row level security;
alter table visit_trait_sum enable row level security;
create policy visit_sum_own on visit_sum using (business_id = current_business());
create policy visit_person_sum_own on visit_person_sum using (business_id = current_business());
create policy visit_trait_sum_own on visit_trait_sum using (business_id = current_business());
grant select, insert, update, delete on visit_sum, visit_person_sum, visit_trait_sum to ${appRole};

-- When the sums of a business were last made anew.
create table visit_rebuild (
    business_id uuid primary key references business,
    asked_at timestamptz not null,
    asked_by varchar(120) not null,
    finished_at timestamptz,
    was_right boolean not null
);
alter table visit_rebuild enable row level security;
create policy visit_rebuild_own on visit_rebuild using (business_id = current_business());
grant select, insert, update on visit_rebuild to ${appRole};

-- What is older than the business keeps is deleted in one statement; an empty month goes as a whole.
grant delete on visit to ${appRole};
create function drop_empty_visit_months(before_day date) returns integer
    language plpgsql security definer set search_path = public
    as $$
    declare
        month record;
        is_used boolean;
        dropped integer := 0;
    begin
        perform pg_advisory_xact_lock(hashtext('visit_month'));
        for month in
            select c.relname as name from pg_inherits i join pg_class c on c.oid = i.inhrelid
            where i.inhparent = 'visit'::regclass and c.relname < 'visit_' || to_char(before_day, 'YYYYMM')
        loop
            execute format('select exists (select from %I)', month.name) into is_used;
            if not is_used then
                execute format('drop table %I', month.name);
                dropped := dropped + 1;
            end if;
        end loop;
        return dropped;
    end $$;

-- Whose visits are to be gone over, before any business is set.
create function door_businesses_keeping() returns table (business_id uuid, months integer)
    language sql stable security definer set search_path = public
    as $$ select id, keeps_visits_months from business $$;

-- Credit says by which link it was earned, so that it outlives the visit.
alter table credit add column link_id uuid;
update credit c set link_id = v.link_id
from visit v where v.click_id = c.click_id and v.arrived_at = click_time(c.click_id);
create index on credit (business_id, link_id, model) where link_id is not null;

-- The sums of what is there already.
with arrived as materialized (
    select v.*, v.arrived_at at time zone b.zone as local
    from visit v join business b on b.id = v.business_id where v.kind <> 'proof'),
summed as (
    insert into visit_sum select business_id, link_id, local::date, kind, true, count(*) from arrived group by 1, 2, 3, 4),
traits as (
    insert into visit_trait_sum
    select a.business_id, a.link_id, a.local::date, t.trait, t.value, true, count(*)
    from arrived a
    left join destination d on d.id = a.destination_id
    cross join lateral (values ('hour', to_char(a.local, 'HH24')), ('page', coalesce(d.address, '')),
        ('referrer', a.referrer), ('country', a.country), ('device', a.device), ('system', a.system),
        ('browser', a.browser), ('language', a.language)) t(trait, value)
    where a.kind = 'person' group by 1, 2, 3, 4, 5)
insert into visit_person_sum
select business_id, scope, scope_id, true, day, coalesce(day_before, '-infinity'), count(*)
from (
    select business_id, scope, scope_id, day,
        lag(day) over (partition by business_id, scope, scope_id, visitor order by day) as day_before
    from (
        select distinct a.business_id, s.scope, s.scope_id, a.visitor, a.local::date as day
        from arrived a
        cross join lateral (values ('business', a.business_id), ('source', a.source_id), ('link', a.link_id))
            s(scope, scope_id)
        where a.kind = 'person') days) chained
group by 1, 2, 3, 5, 6;

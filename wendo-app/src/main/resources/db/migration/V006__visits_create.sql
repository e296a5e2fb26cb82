-- One row for each arrival, partitioned by month. arrived_at is the millisecond that click_id carries, so a click
-- identifier leads to one partition. Rows come from the visit log and are stored once however often they are carried.
create table visit (
    arrived_at timestamptz not null,
    click_id uuid not null,
    business_id uuid not null,
    link_id uuid not null,
    source_id uuid not null,
    visitor uuid not null,
    kind varchar(8) not null,
    reason varchar(200) not null,
    referrer varchar(2000) not null,
    user_agent varchar(500) not null,
    primary key (arrived_at, click_id)
) partition by range (arrived_at);
create index on visit (business_id, arrived_at) include (source_id, kind, visitor);
create index on visit (business_id, visitor, arrived_at) include (source_id, kind, click_id, link_id);
create index on visit (business_id, link_id, arrived_at) include (kind, visitor);

alter table visit enable row level security;
create policy visit_own on visit using (business_id = current_business());
grant select, insert on visit to ${appRole};

-- Partitions are made as months arrive. The application may ask for one; it cannot make tables itself.
create function ensure_visit_month(month_start date) returns void
    language plpgsql security definer set search_path = public
    as $$
    declare
        first_day date := date_trunc('month', month_start)::date;
        partition_name text := 'visit_' || to_char(first_day, 'YYYYMM');
    begin
        perform pg_advisory_xact_lock(hashtext('visit_month'));
        if to_regclass(partition_name) is null then
            execute format(
                'create table %I partition of visit for values from (%L) to (%L)',
                partition_name,
                first_day::timestamp at time zone 'UTC',
                (first_day + interval '1 month') at time zone 'UTC');
        end if;
    end $$;

-- The instant that a click identifier carries in its first 48 bits (RFC 9562, version 7), to the millisecond.
create function click_time(click uuid) returns timestamptz
    language sql immutable strict parallel safe
    as $$
        select timestamptz '1970-01-01 00:00:00+00'
            + ('x' || lpad(left(replace(click::text, '-', ''), 12), 16, '0'))::bit(64)::bigint * interval '1 millisecond'
    $$;

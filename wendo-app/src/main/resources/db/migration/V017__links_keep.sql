create function spaced(parts text[]) returns text
    language sql immutable parallel safe
    as $$ select array_to_string(parts, ' ') $$;
alter table link
    add column words text not null
        generated always as (lower(name || ' ' || slug || ' ' || note || ' ' || spaced(labels))) stored;
create index on link (business_id, campaign_id);
create index on link (business_id, destination_id);
create index on link (business_id, slug);

-- A rule of a link where share is 0, else a way of its split.
create table link_branch (
    id uuid primary key,
    business_id uuid not null references business,
    link_id uuid not null,
    place integer not null,
    share integer not null check (share between 0 and 99),
    first_day date,
    last_day date,
    weekdays text[] not null,
    from_time time,
    until_time time,
    countries text[] not null,
    devices text[] not null,
    languages text[] not null,
    destination_id uuid not null,
    tagged_address varchar(2600) not null,
    unique (link_id, place),
    foreign key (business_id, link_id) references link (business_id, id),
    foreign key (business_id, destination_id) references destination (business_id, id)
);
create index on link_branch (business_id, destination_id);
alter table link_branch enable row level security;
create policy link_branch_own on link_branch using (business_id = current_business());
grant select, insert, update, delete on link_branch to ${appRole};

create function tell_link_branch_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('wendo_link', coalesce(new.link_id, old.link_id)::text);
    return null;
end $$;
create trigger link_branch_changed after insert or update or delete on link_branch
    for each row execute function tell_link_branch_changed();

drop function door_links(uuid[]);
create function door_links(only_links uuid[])
    returns table (host varchar, slug varchar, link_id uuid, source_id uuid, business_id uuid, destination_id uuid,
        tagged_address varchar, opens_at timestamptz, closes_at timestamptz, outside_address varchar, zone varchar,
        branches json)
    language sql stable security definer set search_path = public
    as $$
        select h.name, l.slug, l.id, l.source_id, l.business_id, l.destination_id, l.tagged_address,
            l.first_day::timestamp at time zone b.zone, (l.last_day + 1)::timestamp at time zone b.zone,
            l.outside_address, b.zone,
            (select json_agg(br order by br.place) from link_branch br where br.link_id = l.id)
        from link l join link_host h on h.id = l.host_id join business b on b.id = l.business_id
        where only_links is null or l.id = any(only_links)
    $$;

grant update (changed_at, changed_by) on link_destination to ${appRole};

-- What was done to many links at once, so that it can be undone.
create table link_change (
    id uuid primary key,
    business_id uuid not null references business,
    property varchar(12) not null,
    said varchar(300) not null,
    links integer not null,
    made_at timestamptz not null,
    made_by varchar(120) not null,
    undone_at timestamptz,
    undone_by varchar(120) not null,
    unique (business_id, id)
);
create index on link_change (business_id, made_at desc);
create table link_change_row (
    business_id uuid not null,
    change_id uuid not null,
    link_id uuid not null,
    before text not null,
    after text not null,
    primary key (change_id, link_id),
    foreign key (business_id, change_id) references link_change (business_id, id),
    foreign key (business_id, link_id) references link (business_id, id)
);
create index on link_change_row (link_id);
alter table link_change enable row level security;
alter table link_change_row enable row level security;
create policy link_change_own on link_change using (business_id = current_business());
create policy link_change_row_own on link_change_row using (business_id = current_business());
grant select, insert, update on link_change, link_change_row to ${appRole};

-- Links are listed with their destinations' health: those that fail come first where asked.
create index on destination (business_id) where failing_since is not null;

-- References between a business's rows carry the business with them: a foreign key is not subject to policies.

create table source (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(120) not null,
    tag varchar(100) not null,
    channel varchar(12) not null,
    medium varchar(100) not null,
    created_at timestamptz not null,
    unique (business_id, tag),
    unique (business_id, id)
);

create table campaign (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(120) not null,
    tag varchar(100) not null,
    starts_on date,
    ends_on date,
    created_at timestamptz not null,
    unique (business_id, tag),
    unique (business_id, id)
);

create table destination (
    id uuid primary key,
    business_id uuid not null references business,
    address varchar(2000) not null,
    created_at timestamptz not null,
    unique (business_id, address),
    unique (business_id, id)
);

-- origin is what is printed and copied: scheme, name and, where it is not the scheme's own, port.
create table link_host (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(253) not null unique,
    origin varchar(300) not null,
    is_default boolean not null,
    unique (business_id, id)
);
create unique index on link_host (business_id) where is_default;

create table link (
    id uuid primary key,
    business_id uuid not null references business,
    host_id uuid not null,
    slug varchar(50) not null,
    skeleton varchar(50) not null,
    name varchar(160) not null,
    note varchar(1000) not null,
    source_id uuid not null,
    campaign_id uuid not null,
    destination_id uuid not null,
    tagged_address varchar(2600) not null,
    created_at timestamptz not null,
    created_by varchar(120) not null,
    unique (host_id, slug),
    unique (host_id, skeleton),
    unique (business_id, id),
    foreign key (business_id, host_id) references link_host (business_id, id),
    foreign key (business_id, source_id) references source (business_id, id),
    foreign key (business_id, campaign_id) references campaign (business_id, id),
    foreign key (business_id, destination_id) references destination (business_id, id)
);
create index on link (business_id, created_at desc, id);
create index on link (business_id, source_id);

alter table source enable row level security;
alter table campaign enable row level security;
alter table destination enable row level security;
alter table link_host enable row level security;
alter table link enable row level security;
create policy source_own on source using (business_id = current_business());
create policy campaign_own on campaign using (business_id = current_business());
create policy destination_own on destination using (business_id = current_business());
create policy link_host_own on link_host using (business_id = current_business());
create policy link_own on link using (business_id = current_business());
grant select, insert, update on source, campaign, destination, link_host, link to ${appRole};

-- The link host answers for all businesses from memory. These two functions are what it knows.
create function door_link_hosts() returns table (name varchar, business_id uuid, business_name varchar)
    language sql stable security definer set search_path = public
    as $$ select h.name, h.business_id, b.name from link_host h join business b on b.id = h.business_id $$;

create function door_links(only_link uuid)
    returns table (host varchar, slug varchar, link_id uuid, source_id uuid, business_id uuid, tagged_address varchar)
    language sql stable security definer set search_path = public
    as $$
        select h.name, l.slug, l.id, l.source_id, l.business_id, l.tagged_address
        from link l join link_host h on h.id = l.host_id
        where only_link is null or l.id = only_link
    $$;

create function tell_link_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('wendo_link', new.id::text);
    return new;
end $$;
create trigger link_changed after insert or update on link for each row execute function tell_link_changed();

create function tell_link_host_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('wendo_link_host', new.id::text);
    return new;
end $$;
create trigger link_host_changed after insert or update on link_host for each row execute function tell_link_host_changed();

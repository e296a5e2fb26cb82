-- problem is what the last check of a host found, empty text if it answered as Wendo. A retired host gets no new links;
-- its old ones live on. forwards_to sends every path of a host that is no link of its own by way of one link.
alter table link_host
    add column retired_at timestamptz,
    add column checked_at timestamptz,
    add column problem varchar(300) not null default '',
    add column forwards_to uuid,
    add foreign key (business_id, forwards_to) references link (business_id, id),
    add check (not (is_default and retired_at is not null));
alter table link_host alter column problem drop default;

-- fields is the plan as wendo.core.links.TagField writes it, in the order the parameters stand in an address.
create table tag_plan (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(80) not null,
    is_default boolean not null,
    spelling varchar(12) not null,
    fields jsonb not null,
    created_at timestamptz not null,
    unique (business_id, name),
    unique (business_id, id)
);
create unique index on tag_plan (business_id) where is_default;
alter table tag_plan enable row level security;
create policy tag_plan_own on tag_plan using (business_id = current_business());
grant select, insert, update, delete on tag_plan to ${appRole};

-- Every business starts with the three fields that every analytics program reads.
create function begin_tag_plan() returns trigger language plpgsql as $$
begin
    insert into tag_plan values (gen_random_uuid(), new.id, 'Standard', true, 'HYPHENS', '[
        {"parameter": "utm_source", "from": "SOURCE", "isRequired": true, "fixed": "", "allowed": []},
        {"parameter": "utm_medium", "from": "MEDIUM", "isRequired": true, "fixed": "", "allowed": []},
        {"parameter": "utm_campaign", "from": "CAMPAIGN", "isRequired": true, "fixed": "", "allowed": []}]', new.created_at);
    return new;
end $$;
create trigger business_tag_plan after insert on business for each row execute function begin_tag_plan();
insert into tag_plan
    select gen_random_uuid(), id, 'Standard', true, 'HYPHENS', '[
        {"parameter": "utm_source", "from": "SOURCE", "isRequired": true, "fixed": "", "allowed": []},
        {"parameter": "utm_medium", "from": "MEDIUM", "isRequired": true, "fixed": "", "allowed": []},
        {"parameter": "utm_campaign", "from": "CAMPAIGN", "isRequired": true, "fixed": "", "allowed": []}]', created_at
    from business;

-- tags are the link's parameters as they stand in a query; tagged_address is its destination with them.
-- Outside of its days, if it has any, a link leads to outside_address, which is tagged alike.
alter table link
    add column tags varchar(2000) not null default '',
    add column owner_id uuid,
    add column labels text[] not null default '{}',
    add column first_day date,
    add column last_day date,
    add column outside_address varchar(2600) not null default '',
    add column is_paid boolean not null default false,
    add column disclosure varchar(300) not null default '',
    add column archived_at timestamptz,
    add foreign key (business_id, owner_id) references membership (business_id, person_id) on delete set null (owner_id),
    add check (first_day <= last_day),
    add check ((first_day is null and last_day is null) = (outside_address = ''));
update link l
    set tags = 'utm_source=' || s.tag || '&utm_medium=' || s.medium || '&utm_campaign=' || c.tag
    from source s, campaign c where s.id = l.source_id and c.id = l.campaign_id;
alter table link
    alter column tags drop default, alter column labels drop default, alter column outside_address drop default,
    alter column is_paid drop default, alter column disclosure drop default;

-- Where a link has led, since when, and why. The newest row of a link is where it leads now.
create table link_destination (
    id uuid primary key,
    business_id uuid not null references business,
    link_id uuid not null,
    destination_id uuid not null,
    address varchar(2000) not null,
    reason varchar(300) not null,
    changed_at timestamptz not null,
    changed_by varchar(120) not null,
    foreign key (business_id, link_id) references link (business_id, id),
    foreign key (business_id, destination_id) references destination (business_id, id)
);
create index on link_destination (link_id, changed_at desc);
alter table link_destination enable row level security;
create policy link_destination_own on link_destination using (business_id = current_business());
grant select, insert on link_destination to ${appRole};
insert into link_destination
    select gen_random_uuid(), l.business_id, l.id, l.destination_id, d.address, '', l.created_at, l.created_by
    from link l join destination d on d.id = l.destination_id;

drop function door_link_hosts();
create function door_link_hosts()
    returns table (name varchar, host_id uuid, business_id uuid, business_name varchar, forwards_to varchar)
    language sql stable security definer set search_path = public
    as $$
        select h.name, h.id, h.business_id, b.name, coalesce(fh.name || '/' || f.slug, '')
        from link_host h
        join business b on b.id = h.business_id
        left join link f on f.id = h.forwards_to
        left join link_host fh on fh.id = f.host_id
    $$;

drop function door_links(uuid);
create function door_links(only_links uuid[])
    returns table (host varchar, slug varchar, link_id uuid, source_id uuid, business_id uuid, tagged_address varchar,
        opens_at timestamptz, closes_at timestamptz, outside_address varchar)
    language sql stable security definer set search_path = public
    as $$
        select h.name, l.slug, l.id, l.source_id, l.business_id, l.tagged_address,
            l.first_day::timestamp at time zone b.zone, (l.last_day + 1)::timestamp at time zone b.zone, l.outside_address
        from link l join link_host h on h.id = l.host_id join business b on b.id = l.business_id
        where only_links is null or l.id = any(only_links)
    $$;

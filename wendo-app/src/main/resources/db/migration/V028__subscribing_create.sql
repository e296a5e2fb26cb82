-- A system that sends newsletters, and the text it puts a reader's own address in place of.
create table sender (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(80) not null,
    placeholder varchar(100) not null,
    unique (business_id, name),
    unique (business_id, id)
);

-- A link that subscribes whoever arrives by it with an address.
create table opt_in (
    link_id uuid primary key,
    business_id uuid not null references business,
    is_open boolean not null,
    asks_first boolean not null,
    promise varchar(300) not null,
    onward_address varchar(2600) not null,
    unsubstituted varchar(200) not null,
    unsubstituted_at timestamptz,
    foreign key (business_id, link_id) references link (business_id, id)
);
create index on opt_in (business_id);

create table subscriber (
    id uuid primary key,
    business_id uuid not null references business,
    link_id uuid not null,
    email varchar(254) not null,
    subscribed_at timestamptz not null,
    click_id uuid,
    proof_id uuid,
    foreign key (business_id, link_id) references link (business_id, id)
);
create unique index on subscriber (business_id, email) where proof_id is null;
create unique index on subscriber (proof_id, email) where proof_id is not null;
create index on subscriber (business_id, link_id, subscribed_at desc);

alter table sender enable row level security;
alter table opt_in enable row level security;
alter table subscriber enable row level security;
create policy sender_own on sender using (business_id = current_business());
create policy opt_in_own on opt_in using (business_id = current_business());
create policy subscriber_own on subscriber using (business_id = current_business());
grant select, insert, update, delete on sender to ${appRole};
grant select, insert, update on opt_in to ${appRole};
grant select, insert, delete on subscriber to ${appRole};
create trigger opt_in_changed after insert or update of is_open on opt_in
    for each row execute function tell_link_branch_changed();

create function door_opt_in(wanted uuid) returns uuid
    language sql stable security definer set search_path = public
    as $$ select business_id from opt_in where link_id = wanted and is_open $$;

drop function door_links(uuid[]);
create function door_links(only_links uuid[])
    returns table (host varchar, slug varchar, link_id uuid, source_id uuid, business_id uuid, destination_id uuid,
        tagged_address varchar, opens_at timestamptz, closes_at timestamptz, outside_address varchar, zone varchar,
        branches json, subscribes boolean)
    language sql stable security definer set search_path = public
    as $$
        select h.name, l.slug, l.id, l.source_id, l.business_id, l.destination_id, l.tagged_address,
            l.first_day::timestamp at time zone b.zone, (l.last_day + 1)::timestamp at time zone b.zone,
            l.outside_address, b.zone,
            (select json_agg(br order by br.place) from link_branch br where br.link_id = l.id),
            exists (select from opt_in o where o.link_id = l.id and o.is_open)
        from link l join link_host h on h.id = l.host_id join business b on b.id = l.business_id
        where only_links is null or l.id = any(only_links)
    $$;

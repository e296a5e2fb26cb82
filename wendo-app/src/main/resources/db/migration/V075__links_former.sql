-- Addresses that links had before they were moved to another domain. They keep answering, and nobody else gets them.
create table link_former_address (
    business_id uuid not null references business,
    host_id uuid not null,
    slug varchar(50) not null,
    skeleton varchar(50) not null,
    link_id uuid not null,
    moved_at timestamptz not null,
    moved_by varchar(120) not null,
    primary key (host_id, slug),
    foreign key (business_id, host_id) references link_host (business_id, id),
    foreign key (business_id, link_id) references link (business_id, id)
);
create index on link_former_address (link_id);
create index on link_former_address (host_id, skeleton);
alter table link_former_address enable row level security;
create policy link_former_address_own on link_former_address using (business_id = (select current_business()));
grant select, insert, delete on link_former_address to ${appRole};

-- Two whole halves: millions of links are not joined to themselves for the sake of a few that were moved.
create or replace view door_link as
    select h.name as host, l.slug, l.id as link_id, l.source_id, l.business_id, l.destination_id, l.tagged_address,
        l.first_day::timestamp at time zone b.zone as opens_at,
        (l.last_day + 1)::timestamp at time zone b.zone as closes_at,
        l.outside_address, b.zone,
        (select json_agg(br order by br.place) from link_branch br where br.link_id = l.id) as branches,
        exists (select from opt_in o where o.link_id = l.id and o.is_open) as subscribes,
        exists (select from link_form f where f.link_id = l.id and f.shows <> 'never') as asks
    from link l join link_host h on h.id = l.host_id join business b on b.id = l.business_id
    union all
    select h.name as host, a.slug, l.id as link_id, l.source_id, l.business_id, l.destination_id, l.tagged_address,
        l.first_day::timestamp at time zone b.zone as opens_at,
        (l.last_day + 1)::timestamp at time zone b.zone as closes_at,
        l.outside_address, b.zone,
        (select json_agg(br order by br.place) from link_branch br where br.link_id = l.id) as branches,
        exists (select from opt_in o where o.link_id = l.id and o.is_open) as subscribes,
        exists (select from link_form f where f.link_id = l.id and f.shows <> 'never') as asks
    from link_former_address a join link l on l.id = a.link_id join link_host h on h.id = a.host_id join business b on b.id = l.business_id;

-- A printed link never dies, whoever issues what: an ending that a former address has is taken.
create function refuse_former_address() returns trigger language plpgsql as $$
begin
    if exists (select from link_former_address f
        where f.host_id = new.host_id and f.slug = new.slug and f.link_id <> new.id) then
        raise unique_violation using constraint = 'link_host_id_slug_key', message = 'The ending is a former address';
    end if;
    return new;
end $$;
create trigger link_not_former before insert or update of host_id, slug on link
    for each row execute function refuse_former_address();

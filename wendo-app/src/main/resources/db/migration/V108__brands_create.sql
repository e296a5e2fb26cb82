-- A name that a business trades under, with its logo and its sites, and who asks its visitors for consent.
create table brand (
    id uuid primary key,
    version integer not null,
    business_id uuid not null references business,
    name varchar(80) not null,
    logo bytea,
    edition integer not null,
    sites text[] not null,
    asks boolean not null,
    made_at timestamptz not null,
    made_by varchar(120) not null,
    removed_at timestamptz,
    unique (business_id, id)
);
create unique index on brand (business_id, lower(name)) where removed_at is null;
alter table brand enable row level security;
create policy brand_own on brand using (business_id = (select current_business()));
grant select, insert, update on brand to ${appRole};

-- A link domain is a brand's, and so are the links on it, unless one says otherwise.
alter table link_host add column brand_id uuid;
alter table link_host add foreign key (business_id, brand_id) references brand (business_id, id);
alter table link add column brand_id uuid;
alter table link add foreign key (business_id, brand_id) references brand (business_id, id);
create index link_of_brand on link (brand_id) where brand_id is not null;

-- Its logo as everybody gets it.
create function door_brand_logo(wanted uuid) returns bytea
    language sql stable security definer set search_path = public, pg_temp
    as $$ select logo from brand where id = wanted and removed_at is null $$;
revoke all on function door_brand_logo(uuid) from public;
grant execute on function door_brand_logo(uuid) to ${appRole};

-- A link host speaks in its brand's name, and knows the campaign and the brand of each link.
drop function door_link_hosts();
create function door_link_hosts()
    returns table (name varchar, host_id uuid, business_id uuid, business_name varchar, forwards_to varchar,
        keeps_cookie boolean, locale varchar, origin varchar, own_texts text[], own_words text[], site_key varchar,
        has_logo boolean, has_colour boolean, edition integer, address varchar, imprint varchar, privacy varchar,
        signed boolean, brand_logo varchar)
    language sql stable security definer set search_path = public, pg_temp
    as $$
        select h.name, h.id, h.business_id, coalesce(br.name, b.name), coalesce(fh.name || '/' || f.slug, ''),
            b.keeps_visitor_cookie, b.locale, h.origin, coalesce(w.texts, '{}'), coalesce(w.words, '{}'), b.site_key,
            l.id is not null, coalesce(a.colour, '') <> '', coalesce(a.version, 0), coalesce(a.address, ''),
            coalesce(a.imprint, ''), coalesce(a.privacy, ''), coalesce(a.signed, true),
            case when br.logo is null then '' else '/t/brands/' || br.id || '.png?' || br.edition end
        from link_host h
        join business b on b.id = h.business_id
        left join brand br on br.id = h.brand_id and br.removed_at is null
        left join own_wording w on w.business_id = h.business_id
        left join appearance a on a.business_id = h.business_id
        left join logo l on l.business_id = h.business_id
        left join link f on f.id = h.forwards_to
        left join link_host fh on fh.id = f.host_id
    $$;
revoke all on function door_link_hosts() from public;
grant execute on function door_link_hosts() to ${appRole};

create or replace view door_link as
    select h.name as host, l.slug, l.id as link_id, l.source_id, l.business_id, l.destination_id, l.tagged_address,
        l.first_day::timestamp at time zone b.zone as opens_at,
        (l.last_day + 1)::timestamp at time zone b.zone as closes_at,
        l.outside_address, b.zone,
        (select json_agg(br order by br.place) from link_branch br where br.link_id = l.id) as branches,
        exists (select from opt_in o where o.link_id = l.id and o.is_open) as subscribes,
        exists (select from link_form f where f.link_id = l.id and f.shows <> 'never') as asks,
        l.campaign_id, coalesce(l.brand_id, h.brand_id) as brand_id
    from link l join link_host h on h.id = l.host_id join business b on b.id = l.business_id
    union all
    select h.name as host, a.slug, l.id as link_id, l.source_id, l.business_id, l.destination_id, l.tagged_address,
        l.first_day::timestamp at time zone b.zone as opens_at,
        (l.last_day + 1)::timestamp at time zone b.zone as closes_at,
        l.outside_address, b.zone,
        (select json_agg(br order by br.place) from link_branch br where br.link_id = l.id) as branches,
        exists (select from opt_in o where o.link_id = l.id and o.is_open) as subscribes,
        exists (select from link_form f where f.link_id = l.id and f.shows <> 'never') as asks,
        l.campaign_id, coalesce(l.brand_id, h.brand_id) as brand_id
    from link_former_address a join link l on l.id = a.link_id join link_host h on h.id = a.host_id join business b on b.id = l.business_id;

create function tell_brand_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('wendo_link_host', new.business_id::text);
    return new;
end $$;
create trigger brand_changed after update on brand for each row execute function tell_brand_changed();

-- The links on a domain change their brand with it.
create function tell_brand_of_host_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('wendo_link_host', new.business_id::text);
    return new;
end $$;
create trigger brand_of_host_changed after update of brand_id on link_host
    for each row execute function tell_brand_of_host_changed();

-- How links look when somebody shares them: what a page says of itself, and what is said of one link in its place.
create table page_card (
    destination_id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    title varchar(100) not null,
    text varchar(200) not null,
    picture_address varchar(2000) not null,
    picture bytea,
    picture_key varchar(16) not null,
    changed_at timestamptz not null,
    foreign key (business_id, destination_id) references destination (business_id, id)
);
create table link_card (
    link_id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    title varchar(100) not null,
    text varchar(200) not null,
    picture bytea,
    picture_key varchar(16) not null,
    changed_at timestamptz not null,
    foreign key (business_id, link_id) references link (business_id, id)
);
create index page_card_changed on page_card (changed_at);
create index link_card_changed on link_card (changed_at);
alter table page_card enable row level security;
create policy page_card_own on page_card using (business_id = (select current_business()));
alter table link_card enable row level security;
create policy link_card_own on link_card using (business_id = (select current_business()));
grant select, insert, update on page_card, link_card to ${appRole};

-- What link hosts keep in memory, and a picture that programs fetch, both of all businesses.
create function door_share_cards(since timestamptz)
    returns table (about uuid, title varchar, text varchar, picture_key varchar, changed_at timestamptz)
    language sql stable security definer set search_path = public, pg_temp
    as $$
        select destination_id, title, text, picture_key, changed_at from page_card where changed_at >= since
        union all
        select link_id, title, text, picture_key, changed_at from link_card where changed_at >= since
    $$;
create function door_share_picture(wanted uuid) returns bytea
    language sql stable security definer set search_path = public, pg_temp
    as $$
        select picture from page_card where destination_id = wanted
        union all
        select picture from link_card where link_id = wanted
        limit 1
    $$;
revoke all on function door_share_cards(timestamptz), door_share_picture(uuid) from public;
grant execute on function door_share_cards(timestamptz), door_share_picture(uuid) to ${appRole};

-- A link host knows how its addresses are written, for the address of a picture.
drop function door_link_hosts();
create function door_link_hosts()
    returns table (name varchar, host_id uuid, business_id uuid, business_name varchar, forwards_to varchar,
        keeps_cookie boolean, locale varchar, origin varchar)
    language sql stable security definer set search_path = public, pg_temp
    as $$
        select h.name, h.id, h.business_id, b.name, coalesce(fh.name || '/' || f.slug, ''), b.keeps_visitor_cookie,
            b.locale, h.origin
        from link_host h
        join business b on b.id = h.business_id
        left join link f on f.id = h.forwards_to
        left join link_host fh on fh.id = f.host_id
    $$;
revoke all on function door_link_hosts() from public;
grant execute on function door_link_hosts() to ${appRole};

-- How a business appears on pages that everybody can open. The mark that stood on codes and forms is its logo.
alter table code_mark rename to logo;
alter policy code_mark_own on logo rename to logo_own;

create table appearance (
    id uuid primary key,
    business_id uuid not null unique references business,
    version integer not null default 0,
    colour varchar(7) not null check (colour ~ '^(#[0-9a-f]{6})?$'),
    address varchar(500) not null,
    imprint varchar(2000) not null,
    privacy varchar(2000) not null,
    signed boolean not null
);
alter table appearance enable row level security;
create policy appearance_own on appearance using (business_id = (select current_business()));
grant select, insert, update on appearance to ${appRole};

-- Pages of a link host for addresses that lead nowhere show it too, from memory.
drop function door_link_hosts();
create function door_link_hosts()
    returns table (name varchar, host_id uuid, business_id uuid, business_name varchar, forwards_to varchar,
        keeps_cookie boolean, locale varchar, origin varchar, own_texts text[], own_words text[],
        site_key varchar, has_logo boolean, has_colour boolean, edition integer, address varchar, imprint varchar,
        privacy varchar, signed boolean)
    language sql stable security definer set search_path = public, pg_temp
    as $$
        select h.name, h.id, h.business_id, b.name, coalesce(fh.name || '/' || f.slug, ''), b.keeps_visitor_cookie,
            b.locale, h.origin, coalesce(w.texts, '{}'), coalesce(w.words, '{}'),
            b.site_key, exists (select from logo l where l.business_id = h.business_id), coalesce(a.colour, '') <> '',
            coalesce(a.version, 0), coalesce(a.address, ''), coalesce(a.imprint, ''), coalesce(a.privacy, ''),
            coalesce(a.signed, true)
        from link_host h
        join business b on b.id = h.business_id
        left join own_wording w on w.business_id = h.business_id
        left join appearance a on a.business_id = h.business_id
        left join link f on f.id = h.forwards_to
        left join link_host fh on fh.id = f.host_id
    $$;
revoke all on function door_link_hosts() from public;
grant execute on function door_link_hosts() to ${appRole};

create function tell_appearance_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('wendo_link_host', coalesce(new.business_id, old.business_id)::text);
    return null;
end $$;
create trigger appearance_changed after insert or update on appearance
    for each row execute function tell_appearance_changed();
create trigger logo_changed after insert or delete on logo for each row execute function tell_appearance_changed();

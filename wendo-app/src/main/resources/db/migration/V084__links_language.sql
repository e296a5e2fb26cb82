-- A link host knows its business's language too, for the page of an address that leads nowhere.
drop function door_link_hosts();
create function door_link_hosts()
    returns table (name varchar, host_id uuid, business_id uuid, business_name varchar, forwards_to varchar,
        keeps_cookie boolean, locale varchar)
    language sql stable security definer set search_path = public, pg_temp
    as $$
        select h.name, h.id, h.business_id, b.name, coalesce(fh.name || '/' || f.slug, ''), b.keeps_visitor_cookie, b.locale
        from link_host h
        join business b on b.id = h.business_id
        left join link f on f.id = h.forwards_to
        left join link_host fh on fh.id = f.host_id
    $$;
revoke all on function door_link_hosts() from public;
grant execute on function door_link_hosts() to ${appRole};

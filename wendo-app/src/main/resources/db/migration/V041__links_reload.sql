-- What the link host knows of links, for all, some or one business's. One function each: a condition that may be
-- absent would have some looked for among all.
drop function door_links(uuid[]);
create view door_link as
    select h.name as host, l.slug, l.id as link_id, l.source_id, l.business_id, l.destination_id, l.tagged_address,
        l.first_day::timestamp at time zone b.zone as opens_at,
        (l.last_day + 1)::timestamp at time zone b.zone as closes_at,
        l.outside_address, b.zone,
        (select json_agg(br order by br.place) from link_branch br where br.link_id = l.id) as branches,
        exists (select from opt_in o where o.link_id = l.id and o.is_open) as subscribes,
        exists (select from link_form f where f.link_id = l.id and f.shows <> 'never') as asks
    from link l join link_host h on h.id = l.host_id join business b on b.id = l.business_id;

create function door_links() returns setof door_link
    language sql stable security definer set search_path = public
    as $$ select * from door_link $$;
create function door_links(these uuid[]) returns setof door_link
    language sql stable security definer set search_path = public
    as $$ select * from door_link where link_id = any(these) $$;
create function door_links_of(business uuid) returns setof door_link
    language sql stable security definer set search_path = public
    as $$ select * from door_link where business_id = door_links_of.business $$;

-- A link host says what it says in the business's own words, where it has any: from memory, like all that it answers.
drop function door_link_hosts();
create function door_link_hosts()
    returns table (name varchar, host_id uuid, business_id uuid, business_name varchar, forwards_to varchar,
        keeps_cookie boolean, locale varchar, origin varchar, own_texts text[], own_words text[])
    language sql stable security definer set search_path = public, pg_temp
    as $$
        select h.name, h.id, h.business_id, b.name, coalesce(fh.name || '/' || f.slug, ''), b.keeps_visitor_cookie,
            b.locale, h.origin, coalesce(w.texts, '{}'), coalesce(w.words, '{}')
        from link_host h
        join business b on b.id = h.business_id
        left join own_wording w on w.business_id = h.business_id
        left join link f on f.id = h.forwards_to
        left join link_host fh on fh.id = f.host_id
    $$;
revoke all on function door_link_hosts() from public;
grant execute on function door_link_hosts() to ${appRole};

create function tell_wording_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('wendo_link_host', new.business_id::text);
    return new;
end $$;
create trigger wording_changed after insert or update on own_wording for each row execute function tell_wording_changed();

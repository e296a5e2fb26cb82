-- A business can be deleted by its owners: thirty days after they said so, and not before everything was taken along.
alter table business
    add column exported_at timestamptz,
    add column deletes_at timestamptz;

-- Whose days of thinking again are over.
create function door_businesses_to_delete(at timestamptz) returns setof uuid
    language sql stable security definer set search_path = public, pg_temp
    as $$ select id from business where deletes_at <= door_businesses_to_delete.at $$;
revoke all on function door_businesses_to_delete(timestamptz) from public;
grant execute on function door_businesses_to_delete(timestamptz) to ${appRole};

-- Deletes a business whose time has come with everything that is its own, and the people who work for no other. Tables that
-- others point to are tried again until nothing points to them. Answers how many rows that were.
create function delete_business(gone uuid, at timestamptz) returns bigint
    language plpgsql security definer set search_path = public, pg_temp
    as $$
declare
    name text;
    leavers uuid[];
    leaver uuid;
    rounds integer := 0;
    again boolean := true;
    went bigint;
    deleted bigint := 0;
begin
    if not exists (select from business b where b.id = gone and b.deletes_at <= delete_business.at) then
        return 0;
    end if;
    leavers := array(select m.person_id from membership m where m.business_id = gone
        and not exists (select from membership o where o.person_id = m.person_id and o.business_id <> gone));
    update link_host set forwards_to = null where business_id = gone;
    while again loop
        again := false;
        rounds := rounds + 1;
        if rounds > 30 then
            raise exception 'Business % cannot be deleted: rows of it point to one another', gone;
        end if;
        for name in
            select c.relname from pg_class c join pg_attribute a on a.attrelid = c.oid and a.attname = 'business_id'
            where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p') and not c.relispartition
        loop
            begin
                execute format('delete from %I where business_id = $1', name) using gone;
                get diagnostics went = row_count;
                deleted := deleted + went;
            exception when foreign_key_violation then
                again := true;
            end;
        end loop;
    end loop;
    delete from spring_session s using person p where p.id = any(leavers) and s.principal_name = p.email;
    delete from account_token where person_id = any(leavers);
    delete from recovery_code where person_id = any(leavers);
    delete from known_device where person_id = any(leavers);
    delete from passkey where person_id = any(leavers);
    delete from sign_in where person_id = any(leavers);
    update api_key set created_by = null where created_by = any(leavers);
    foreach leaver in array leavers loop
        begin
            delete from person where id = leaver;
        exception when foreign_key_violation then
            null; -- something of another business names them, from when they worked there
        end;
    end loop;
    delete from business where id = gone;
    perform pg_notify('wendo_link_host', gone::text);
    return deleted;
end $$;
revoke all on function delete_business(uuid, timestamptz) from public;
grant execute on function delete_business(uuid, timestamptz) to ${appRole};

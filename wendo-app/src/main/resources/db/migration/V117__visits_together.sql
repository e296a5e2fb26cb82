-- Visits of many businesses are stored by one transaction. It takes up a role that may do just this: see and add visits and
-- their sums, and see the few columns of links, sources, recipients, destinations and businesses that they are sorted by.
do $$
begin
    if not exists (select from pg_roles where rolname = '${intakeRole}') then
        create role ${intakeRole} nologin;
    end if;
    if not pg_has_role('${appRole}', '${intakeRole}', 'MEMBER') then
        grant ${intakeRole} to ${appRole};
    end if;
exception when insufficient_privilege then
    raise exception 'The role ${intakeRole} is missing, or ${appRole} may not take it up'
        using hint = 'As a superuser: create role ${intakeRole} nologin; alter role ${appRole} noinherit; grant ${intakeRole} to ${appRole};';
end $$;

create function intake_role() returns text
    language sql immutable parallel safe
    as $$ select text '${intakeRole}' $$;

-- Whoever inherits from the role passes no policy by it: it has to be taken up. The policies from before are for the
-- application alone, so that neither side's plans bear the other's condition.
do $$
declare
    one text;
begin
    foreach one in array array['visit', 'visit_alias', 'visit_sum', 'visit_month_sum', 'visit_trait_sum', 'visit_person_sum',
        'business', 'link', 'source', 'recipient', 'destination']
    loop
        execute format('alter policy %I on %I to ${appRole}', one || '_own', one);
        execute format('create policy %I on %I to ${intakeRole} using ((select current_user = %L))', one || '_intake', one,
            '${intakeRole}');
    end loop;
end $$;

grant select, insert on visit to ${intakeRole};
grant insert on visit_alias to ${intakeRole};
grant select, insert, update on visit_sum, visit_month_sum, visit_trait_sum, visit_person_sum to ${intakeRole};
grant select (id, zone) on business to ${intakeRole};
grant select (id, business_id, counted_from) on link to ${intakeRole};
grant select (id, business_id, merged_into) on source to ${intakeRole};
grant select (id, business_id, link_id, code) on recipient to ${intakeRole};
grant select (id, business_id, address) on destination to ${intakeRole};
grant execute on function intake_role() to ${appRole};

-- Sums are added to with links that are joined to them, and links are never deleted but with their business. Looking each up
-- once more took most of the time of storing.
do $$
declare
    one record;
begin
    for one in
        select conrelid::regclass as own, conname from pg_constraint
        where contype = 'f' and conrelid in ('visit_sum'::regclass, 'visit_month_sum'::regclass, 'visit_trait_sum'::regclass,
            'visit_person_sum'::regclass)
    loop
        execute format('alter table %s drop constraint %I', one.own, one.conname);
    end loop;
end $$;

-- Months of which the database knows nothing yet: what is planned until it does looks through all visits of a minute for each.
create function analyze_new_visit_months() returns void
    language plpgsql security definer set search_path = public, pg_temp
    as $$
declare
    one record;
begin
    for one in
        select c.oid::regclass as month from pg_inherits i join pg_class c on c.oid = i.inhrelid
        where i.inhparent = 'visit'::regclass and c.reltuples < 0 and pg_relation_size(c.oid) > 0
    loop
        execute format('analyze %s', one.month);
    end loop;
end $$;

-- Waits for visits that are being stored, so that none of them stays behind.
create or replace function delete_business(gone uuid, at timestamptz) returns bigint
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
    perform pg_advisory_xact_lock(hashtextextended('visits ' || gone, 0)); -- visits that are being stored go with the rest
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

-- Of visits that were stored, what waits for one: arrays of the same length, of businesses, clicks and visitors.
-- Outcomes that wait for one of them, and those that were credited before an earlier touch of their person was stored: another
-- process may have answered it. Waits for crediting that is under way, so that what that has joined is seen.
create function door_outcomes_awaiting(businesses uuid[], clicks uuid[], visitors uuid[]) returns table (business uuid, outcome uuid)
    language plpgsql security definer set search_path = public, pg_temp set plan_cache_mode = force_generic_plan
    as $$
begin
    perform pg_advisory_xact_lock(hashtextextended('credit ' || own.business_id, 0))
    from (select distinct id as business_id from unnest(businesses) as id order by id) own;
    return query
        select stored.business, o.id
        from unnest(businesses, clicks) stored (business, click)
        cross join lateral (
            select id from outcome where business_id = stored.business and click_id = stored.click offset 0) o
        where not exists (select from outcome_clue c where c.outcome_id = o.id and c.evidence = 'click')
        union
        select stored.business, o.id
        from unnest(businesses, clicks, visitors) stored (business, click, visitor)
        cross join lateral (
            select person from identity
            where business_id = stored.business and kind = 'visitor' and key = stored.visitor::text offset 0) i
        cross join lateral (select id from identity where person = i.person offset 0) p
        cross join lateral (select outcome_id from trail where identity_id = p.id offset 0) t
        join outcome o on o.id = t.outcome_id and o.occurred_at >= click_time(stored.click)
        where o.click_id is distinct from stored.click and exists (
            select from visit where click_id = stored.click and arrived_at = click_time(stored.click)
                and business_id = stored.business and kind = 'person');
end $$;

create function door_postbacks_waiting() returns setof uuid
    language sql stable security definer set search_path = public, pg_temp
    as $$ select distinct business_id from postback_waiting $$;

-- Notes the people whose visits these are, if they are known.
create function door_audience_visits(businesses uuid[], clicks uuid[]) returns void
    language sql security definer set search_path = public, pg_temp
    as $$
        with came as materialized (
            select stored.business, v.visitor, v.recipient_id
            from unnest(businesses, clicks) as stored (business, click)
            cross join lateral (
                select visitor, recipient_id from visit
                where click_id = stored.click and arrived_at = click_time(stored.click) and business_id = stored.business
                    and kind = 'person' offset 0) v)
        insert into audience_due (business_id, contact)
        select c.business, c.contact
        from (
            select came.business, r.contact from came
            join audience_listed r on r.id = came.recipient_id
            union
            select came.business, c.contact from came
            join identity i on i.business_id = came.business and i.kind = 'visitor' and i.key = came.visitor::text
            join audience_person p on p.business_id = came.business and p.identity_person = i.person
            join audience_contact c on c.person_id = p.id) c
        order by 1, 2 on conflict do nothing
    $$;

revoke all on function door_outcomes_awaiting(uuid[], uuid[], uuid[]), door_postbacks_waiting(),
    door_audience_visits(uuid[], uuid[]) from public;
grant execute on function door_outcomes_awaiting(uuid[], uuid[], uuid[]), door_postbacks_waiting(),
    door_audience_visits(uuid[], uuid[]) to ${appRole};

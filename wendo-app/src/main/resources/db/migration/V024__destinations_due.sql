-- Who adds a destination looks at it; the schedule leaves it a moment.
create or replace function door_destinations_due(now_is timestamptz, most integer)
    returns table (business_id uuid, destination_id uuid)
    language sql stable security definer set search_path = public
    as $$
        select d.business_id, d.id from destination d
        where d.archived_at is null
            and ((d.checked_at is null and d.created_at < now_is - interval '20 seconds')
                or d.checked_at < now_is - interval '1 day'
                or (d.failing_since is not null and d.checked_at < now_is - interval '1 hour')
                or (d.failing_since > now_is - interval '10 minutes' and d.checked_at < now_is - interval '1 minute'))
        order by d.checked_at nulls first
        limit most
    $$;

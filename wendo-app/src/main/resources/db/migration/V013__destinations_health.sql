-- What the last look at a destination found. problem is empty text while all is well; hops are the addresses that it
-- answered by way of, the first and the last included.
alter table destination
    add column name varchar(120) not null default '',
    add column note varchar(1000) not null default '',
    add column archived_at timestamptz,
    add column checked_at timestamptz,
    add column answer_status integer,
    add column title varchar(300) not null default '',
    add column problem varchar(300) not null default '',
    add column failing_since timestamptz,
    add column certificate_until timestamptz,
    add column hops text[] not null default '{}';
alter table destination
    alter column name drop default, alter column note drop default, alter column title drop default,
    alter column problem drop default, alter column hops drop default;
create index on destination (checked_at nulls first) where archived_at is null;

-- The scheduled checks go over all businesses: what is due, longest ago first. One that fails is
-- looked at every hour, and in its first ten minutes every minute: it may have been a moment's trouble.
create function door_destinations_due(now_is timestamptz, most integer)
    returns table (business_id uuid, destination_id uuid)
    language sql stable security definer set search_path = public
    as $$
        select d.business_id, d.id from destination d
        where d.archived_at is null
            and (d.checked_at is null or d.checked_at < now_is - interval '1 day'
                or (d.failing_since is not null and d.checked_at < now_is - interval '1 hour')
                or (d.failing_since > now_is - interval '10 minutes' and d.checked_at < now_is - interval '1 minute'))
        order by d.checked_at nulls first
        limit most
    $$;

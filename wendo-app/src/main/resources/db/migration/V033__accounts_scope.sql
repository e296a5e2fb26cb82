-- What a key may do, and when it was last used.
alter table api_key
    add column scope varchar(8) not null default 'all' check (scope in ('all', 'report', 'read')),
    add column last_used_at timestamptz;
alter table api_key alter column scope drop default;

drop function door_api_key(varchar);
create function door_api_key(wanted_hash varchar) returns table (business_id uuid, key_id uuid, scope varchar)
    language sql stable security definer set search_path = public
    as $$ select business_id, id, scope from api_key where secret_hash = wanted_hash and revoked_at is null $$;

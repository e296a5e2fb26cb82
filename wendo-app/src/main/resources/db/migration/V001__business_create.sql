-- A business is what every row belongs to. The application's role owns nothing; the policies below are the one place
-- that keeps businesses apart: a transaction sees the rows of the business it has set, and none if it has set none.

create function current_business() returns uuid
    language sql stable parallel safe
    as $$ select nullif(current_setting('wendo.business', true), '')::uuid $$;

create table business (
    id uuid primary key,
    name varchar(120) not null,
    currency varchar(3) not null,
    zone varchar(60) not null,
    locale varchar(20) not null,
    site_key varchar(40) not null unique,
    allows_local_destinations boolean not null default false,
    created_at timestamptz not null
);
alter table business enable row level security;
create policy business_own on business using (id = current_business());
grant select, insert, update on business to ${appRole};

-- The site tag names its business by a public key, before any business is set.
create function door_site_key(wanted varchar) returns uuid
    language sql stable security definer set search_path = public
    as $$ select id from business where site_key = wanted $$;

-- A report of the comparison for somebody without a login. Its address is a secret; what it shows is chosen, and frozen as
-- it was when it was made, or as it is now.
create table shared_report (
    id uuid primary key,
    business_id uuid not null references business,
    token varchar(40) not null unique,
    title varchar(120) not null,
    sections text[] not null,
    look varchar(400) not null,
    frozen text,
    last_day date not null,
    created_at timestamptz not null,
    created_by varchar(120) not null,
    revoked_at timestamptz,
    opened bigint not null,
    opened_at timestamptz
);
create index on shared_report (business_id, created_at desc);
alter table shared_report enable row level security;
create policy shared_report_own on shared_report using (business_id = (select current_business()));
grant select, insert, update on shared_report to ${appRole};

-- Whose report an address is of, asked by anybody. Revoked ones are nobody's.
create function door_report(wanted varchar) returns uuid
    language sql stable security definer set search_path = public
    as $$ select business_id from shared_report where token = wanted and revoked_at is null $$;

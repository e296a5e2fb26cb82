-- People change and recover how they sign in, and see from where they did.
alter table person
    add column has_password boolean not null default true,
    add column totp_secret varchar(64) not null default '',
    add column totp_last_step bigint not null default 0; -- a code of RFC 6238 is taken once

alter table api_key
    add column created_by uuid references person;

-- What somebody has in place of the second factor when it is lost. Each is taken once.
create table recovery_code (
    id uuid primary key,
    person_id uuid not null references person,
    code_hash varchar(64) not null,
    used_at timestamptz
);
create index on recovery_code (person_id);
grant select, insert, update, delete on recovery_code to ${appRole};

-- An address that is mailed and does one thing once: a new password, or a new e-mail address.
create table account_token (
    id uuid primary key,
    token_hash varchar(64) not null unique,
    person_id uuid not null references person,
    purpose varchar(20) not null check (purpose in ('password', 'email')),
    email varchar(254) not null default '',
    expires_at timestamptz not null,
    used_at timestamptz
);
create index on account_token (person_id);
grant select, insert, update, delete on account_token to ${appRole};

create table passkey (
    id uuid primary key,
    person_id uuid not null references person,
    credential_id bytea not null unique,
    public_key bytea not null,
    signature_count bigint not null,
    uv_initialized boolean not null,
    transports varchar(120) not null,
    backup_eligible boolean not null,
    backup_state boolean not null,
    attestation_object bytea,
    attestation_client_data bytea,
    label varchar(80) not null,
    created_at timestamptz not null,
    last_used_at timestamptz not null
);
create index on passkey (person_id);
grant select, insert, update, delete on passkey to ${appRole};

create table sign_in (
    id uuid primary key,
    person_id uuid not null references person,
    at timestamptz not null,
    way varchar(20) not null check (way in ('password', 'code', 'recovery', 'passkey', 'invitation', 'reset', 'welcome')),
    succeeded boolean not null,
    browser varchar(80) not null,
    address varchar(45) not null
);
create index on sign_in (person_id, at);
grant select, insert, delete on sign_in to ${appRole};

-- Colleagues are invited, change their role and leave.
grant update, delete on membership to ${appRole};
alter table business
    add column needs_second_factor boolean not null default false;

create table invitation (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    email varchar(254) not null check (email = lower(email)),
    role varchar(20) not null check (role in ('owner', 'manager', 'staff', 'viewer')),
    token_hash varchar(64) not null unique,
    invited_by varchar(120) not null,
    invited_at timestamptz not null,
    expires_at timestamptz not null,
    accepted_at timestamptz,
    revoked_at timestamptz
);
create index on invitation (business_id);
create unique index invitation_open on invitation (business_id, email) where accepted_at is null and revoked_at is null;
alter table invitation enable row level security;
create policy invitation_own on invitation using (business_id = (select current_business()));
grant select, insert, update on invitation to ${appRole};

-- Who opens an invitation is not signed in yet: its business, by what only the invited person knows.
create function door_invitation(token varchar) returns table (business_id uuid, business_name varchar)
    language sql stable security definer set search_path = public, pg_temp
    as $$
        select i.business_id, b.name
        from invitation i join business b on b.id = i.business_id
        where i.token_hash = token
    $$;

-- Whether a business wants a second factor is known with the membership.
drop function door_memberships(uuid);
create function door_memberships(who uuid)
    returns table (business_id uuid, business_name varchar, role varchar, needs_second_factor boolean)
    language sql stable security definer set search_path = public, pg_temp
    as $$
        select m.business_id, b.name, m.role, b.needs_second_factor
        from membership m join business b on b.id = m.business_id
        where m.person_id = who
        order by b.name
    $$;

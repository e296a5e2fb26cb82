-- People are not a business's rows: one person may work for several. They are reached by their own e-mail only.
create table person (
    id uuid primary key,
    email varchar(254) not null unique check (email = lower(email)),
    name varchar(120) not null,
    password_hash varchar(200) not null,
    created_at timestamptz not null
);
grant select, insert, update on person to ${appRole};

create table membership (
    business_id uuid not null references business,
    person_id uuid not null references person,
    role varchar(20) not null check (role in ('owner', 'manager', 'staff')),
    primary key (business_id, person_id)
);
create index on membership (person_id);
alter table membership enable row level security;
create policy membership_own on membership using (business_id = current_business());
grant select, insert on membership to ${appRole};

-- At sign-in no business is set yet: these are the memberships of one person.
create function door_memberships(who uuid)
    returns table (business_id uuid, business_name varchar, role varchar)
    language sql stable security definer set search_path = public
    as $$
        select m.business_id, b.name, m.role
        from membership m join business b on b.id = m.business_id
        where m.person_id = who
        order by b.name
    $$;

create table api_key (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(80) not null,
    shown_start varchar(12) not null,
    secret_hash varchar(64) not null unique,
    created_at timestamptz not null,
    revoked_at timestamptz
);
create index on api_key (business_id);
alter table api_key enable row level security;
create policy api_key_own on api_key using (business_id = current_business());
grant select, insert, update on api_key to ${appRole};

-- A call names its business by its key, before any business is set.
create function door_api_key(wanted_hash varchar) returns uuid
    language sql stable security definer set search_path = public
    as $$ select business_id from api_key where secret_hash = wanted_hash and revoked_at is null $$;

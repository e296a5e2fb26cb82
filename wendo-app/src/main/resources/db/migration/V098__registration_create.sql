-- The public form where partners register themselves. It has an address while it is open.
create table registration_page (
    id uuid primary key,
    business_id uuid not null unique references business,
    version integer not null default 0,
    token varchar(22) unique,
    words varchar(1000) not null
);

-- Who would like to be a partner. Whoever waits already does not wait twice.
create table partner_registration (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    name varchar(120) not null,
    contact varchar(120) not null,
    email varchar(254) not null,
    website varchar(200) not null,
    said varchar(1000) not null,
    language varchar(2) not null,
    state varchar(8) not null check (state in ('waiting', 'approved', 'declined')),
    partner_id uuid,
    made_at timestamptz not null,
    decided_at timestamptz,
    decided_by varchar(120) not null,
    foreign key (business_id, partner_id) references partner (business_id, id)
);
create unique index on partner_registration (business_id, email) where state = 'waiting';

alter table registration_page enable row level security;
alter table partner_registration enable row level security;
create policy registration_page_own on registration_page using (business_id = (select current_business()));
create policy partner_registration_own on partner_registration using (business_id = (select current_business()));
grant select, insert, update on registration_page, partner_registration to ${appRole};

-- Whose form an address is.
create function door_partner_registration(wanted varchar) returns uuid
    language sql stable security definer set search_path = public, pg_temp
    as $$ select business_id from registration_page where token = wanted $$;
revoke all on function door_partner_registration(varchar) from public;
grant execute on function door_partner_registration(varchar) to ${appRole};

-- A partner said that an outcome was theirs, and somebody of the business agreed.
alter table outcome add column claim_source_id uuid;
grant update (claim_source_id) on outcome to ${appRole};

-- What partners say was theirs, each outcome once.
create table partner_claim (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    partner_id uuid not null,
    outcome_kind varchar(12) not null,
    reference varchar(100) not null,
    reference_key varchar(300) not null,
    said varchar(1000) not null,
    state varchar(8) not null check (state in ('open', 'accepted', 'declined')),
    outcome_id uuid,
    reason varchar(300) not null,
    made_at timestamptz not null,
    decided_at timestamptz,
    decided_by varchar(120) not null,
    unique (business_id, partner_id, outcome_kind, reference_key),
    foreign key (business_id, partner_id) references partner (business_id, id)
);

-- What a partner and the business write to each other.
create table partner_message (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    partner_id uuid not null,
    from_partner boolean not null,
    author varchar(120) not null,
    body varchar(2000) not null,
    written_at timestamptz not null,
    read_at timestamptz,
    foreign key (business_id, partner_id) references partner (business_id, id)
);
create index on partner_message (business_id, partner_id, written_at);
create index on partner_message (business_id) where from_partner and read_at is null;

-- Texts and pictures that a partner may use, or all of them may.
create table partner_material (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    partner_id uuid,
    title varchar(120) not null,
    body varchar(2000) not null,
    picture bytea,
    made_at timestamptz not null,
    made_by varchar(120) not null,
    foreign key (business_id, partner_id) references partner (business_id, id)
);

-- A page may ask for a code that goes out by mail. Who gave it keeps a key for a while; both are kept as digests alone.
alter table partner add column page_by_code boolean not null default false;
create table partner_page_key (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    partner_id uuid not null,
    code_digest varchar(64) not null,
    tries integer not null,
    key_digest varchar(64),
    expires_at timestamptz not null,
    foreign key (business_id, partner_id) references partner (business_id, id)
);
create index on partner_page_key (business_id, partner_id);

do $$
declare
    name text;
begin
    foreach name in array array['partner_claim', 'partner_message', 'partner_material', 'partner_page_key'] loop
        execute format('alter table %I enable row level security', name);
        execute format('create policy %I on %I using (business_id = (select current_business()))', name || '_own', name);
    end loop;
end $$;
grant select, insert, update on partner_claim, partner_message, partner_material, partner_page_key to ${appRole};
grant delete on partner_material, partner_page_key to ${appRole};

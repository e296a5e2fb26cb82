create table proof (
    id uuid primary key,
    business_id uuid not null references business,
    token varchar(26) not null unique,
    opened_at timestamptz not null,
    open_until timestamptz not null,
    opened_by varchar(120) not null,
    unique (business_id, id)
);
create index on proof (business_id, opened_at desc);
create table proof_link (
    business_id uuid not null,
    proof_id uuid not null,
    link_id uuid not null,
    place integer not null,
    primary key (proof_id, link_id),
    foreign key (business_id, proof_id) references proof (business_id, id),
    foreign key (business_id, link_id) references link (business_id, id)
);
create index on proof_link (link_id);
alter table proof enable row level security;
alter table proof_link enable row level security;
create policy proof_own on proof using (business_id = current_business());
create policy proof_link_own on proof_link using (business_id = current_business());
grant select, insert, update on proof, proof_link to ${appRole};

-- Somebody who holds a proof's token is let in by it, from a phone that is not signed in.
create function door_proof(wanted varchar) returns table (business_id uuid, proof_id uuid, open_until timestamptz)
    language sql stable security definer set search_path = public
    as $$ select business_id, id, open_until from proof where token = wanted $$;

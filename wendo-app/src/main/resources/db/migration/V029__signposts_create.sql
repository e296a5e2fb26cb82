-- A public page that lists several destinations behind one address.
create table signpost (
    id uuid primary key,
    business_id uuid not null references business,
    title varchar(120) not null,
    text varchar(600) not null,
    source_id uuid not null,
    campaign_id uuid not null,
    link_id uuid,
    created_at timestamptz not null,
    created_by varchar(120) not null,
    unique (business_id, id),
    foreign key (business_id, source_id) references source (business_id, id),
    foreign key (business_id, campaign_id) references campaign (business_id, id),
    foreign key (business_id, link_id) references link (business_id, id)
);
create table signpost_entry (
    id uuid primary key,
    business_id uuid not null,
    signpost_id uuid not null,
    place integer not null,
    title varchar(120) not null,
    link_id uuid not null,
    first_at timestamptz,
    last_at timestamptz,
    foreign key (business_id, signpost_id) references signpost (business_id, id),
    foreign key (business_id, link_id) references link (business_id, id),
    check (first_at < last_at)
);
create index on signpost_entry (signpost_id, place);
alter table signpost enable row level security;
alter table signpost_entry enable row level security;
create policy signpost_own on signpost using (business_id = current_business());
create policy signpost_entry_own on signpost_entry using (business_id = current_business());
grant select, insert, update on signpost to ${appRole};
grant select, insert, update, delete on signpost_entry to ${appRole};

create function door_signpost(wanted uuid) returns uuid
    language sql stable security definer set search_path = public
    as $$ select business_id from signpost where id = wanted $$;

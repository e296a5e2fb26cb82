-- A group of people by rules. A frozen one stays as it was; a live one follows.
create table audience (
    id uuid primary key,
    version integer not null,
    business_id uuid not null references business,
    name varchar(120) not null,
    rules text not null,
    is_live boolean not null,
    looked_at timestamptz,
    made_at timestamptz not null,
    made_by varchar(120) not null,
    archived_at timestamptz,
    unique (business_id, id)
);
create unique index on audience (business_id, lower(name)) where archived_at is null;

-- People who can be written to, each with all that they are known by. What they did is read from where it is kept; only
-- their visits are here a second time, because one link's visits are quick to find and one person's are not.
create table audience_person (
    id bigint generated always as identity primary key,
    business_id uuid not null references business,
    anchor varchar(254) not null,
    identity_person uuid,
    name varchar(200) not null default '',
    language varchar(8) not null default '',
    country varchar(2) not null default '',
    device varchar(8) not null default '',
    unique (business_id, anchor),
    unique (business_id, id)
);
create index on audience_person (identity_person) where identity_person is not null;

create table audience_contact (
    business_id uuid not null,
    contact varchar(254) not null,
    person_id bigint not null,
    primary key (business_id, contact),
    foreign key (business_id, person_id) references audience_person (business_id, id) on delete cascade
);
create index on audience_contact (person_id);

create table audience_visit (
    business_id uuid not null,
    person_id bigint not null,
    link_id uuid not null,
    arrived_at timestamptz not null,
    is_personal boolean not null,
    foreign key (business_id, person_id) references audience_person (business_id, id) on delete cascade
);
create index on audience_visit (person_id);
create index on audience_visit (business_id, link_id, arrived_at) include (person_id, is_personal);

-- Contacts of which something has changed since they were last looked at. The last columns are notes while they are.
create table audience_due (
    business_id uuid not null references business,
    contact varchar(254) not null,
    is_taken boolean not null default false,
    former_person bigint,
    anchor varchar(254),
    identity_person uuid,
    primary key (business_id, contact)
);
create index on audience_due (business_id) where is_taken;

-- Who belongs to an audience, and belonged: one row for each stay.
create table audience_member (
    business_id uuid not null,
    audience_id uuid not null,
    person_id bigint not null,
    joined_at timestamptz not null,
    left_at timestamptz check (left_at >= joined_at),
    foreign key (business_id, audience_id) references audience (business_id, id),
    foreign key (business_id, person_id) references audience_person (business_id, id) on delete cascade
);
create unique index on audience_member (audience_id, person_id) where left_at is null;
create index on audience_member (audience_id, joined_at);
create index on audience_member (audience_id, left_at) where left_at is not null;
create index on audience_member (person_id);

alter table audience enable row level security;
alter table audience_person enable row level security;
alter table audience_contact enable row level security;
alter table audience_visit enable row level security;
alter table audience_due enable row level security;
alter table audience_member enable row level security;
create policy audience_own on audience using (business_id = (select current_business()));
create policy audience_person_own on audience_person using (business_id = (select current_business()));
create policy audience_contact_own on audience_contact using (business_id = (select current_business()));
create policy audience_visit_own on audience_visit using (business_id = (select current_business()));
create policy audience_due_own on audience_due using (business_id = (select current_business()));
create policy audience_member_own on audience_member using (business_id = (select current_business()));
grant select, insert, update on audience to ${appRole};
grant select, insert, update, delete
    on audience_person, audience_contact, audience_visit, audience_due, audience_member to ${appRole};

-- People of lists, once for each way in which they can be reached.
create view audience_listed with (security_invoker = true) as
    select id, email as contact, name, link_id, code, held_out from recipient where email <> ''
    union all select id, phone, name, link_id, code, held_out from recipient where phone <> '';
grant select on audience_listed to ${appRole};

-- Everybody known so far is looked at once.
insert into audience_due (business_id, contact)
select business_id, key from identity where kind in ('email', 'phone')
union select business_id, email from recipient where email <> ''
union select business_id, phone from recipient where phone <> ''
union select business_id, email from subscriber where proof_id is null;

-- Whose people are due, before any business is set.
create function door_audience_due() returns setof uuid
    language sql stable security definer set search_path = public
    as $$ select b.id from business b where exists (select from audience_due d where d.business_id = b.id) $$;

-- Tables that were just filled are looked at at once: plans that know nothing of them take minutes instead of moments.
create function analyze_audiences() returns void
    language plpgsql security definer set search_path = public
    as $$ begin analyze audience_due, audience_person, audience_contact, audience_visit, audience_member; end $$;

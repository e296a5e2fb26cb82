-- Who did what, and from what to what. The application adds to it and reads it; it can change and delete nothing here.
create table activity (
    id uuid primary key,
    business_id uuid not null references business,
    at timestamptz not null,
    person_id uuid,
    person varchar(120) not null,
    did varchar(12) not null check (did in ('added', 'changed', 'removed', 'signed_in', 'exported')),
    kind varchar(20) not null,
    subject_id uuid,
    subject varchar(200) not null,
    changes varchar(4000) not null
);
create index on activity (business_id, at desc);
alter table activity enable row level security;
create policy activity_own on activity using (business_id = (select current_business()));
grant select, insert on activity to ${appRole};

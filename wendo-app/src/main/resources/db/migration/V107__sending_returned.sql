-- Addresses that mail came back from for good, and why; nobody writes to them any more.
create table unreachable (
    business_id uuid not null references business,
    contact varchar(254) not null,
    since timestamptz not null,
    said varchar(300) not null,
    primary key (business_id, contact)
);
alter table unreachable enable row level security;
create policy unreachable_own on unreachable using (business_id = (select current_business()));
grant select, insert, update, delete on unreachable to ${appRole};

-- Somebody can also withdraw by telling their mail program that it is unwanted.
alter table consent_record drop constraint consent_record_withdrawn_how_check;
alter table consent_record add check (withdrawn_how in ('stop-page', 'reply', 'office', 'complaint'));

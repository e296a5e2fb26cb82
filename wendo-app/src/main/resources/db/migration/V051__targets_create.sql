-- The most that an outcome may cost, in minor units; without a source, of all that have no target of their own.
create table target (
    business_id uuid not null references business,
    source_id uuid,
    lead_minor bigint check (lead_minor > 0),
    booking_minor bigint check (booking_minor > 0),
    purchase_minor bigint check (purchase_minor > 0),
    margin_percent integer check (margin_percent between 1 and 100),
    unique nulls not distinct (business_id, source_id),
    foreign key (business_id, source_id) references source (business_id, id)
);
alter table target enable row level security;
create policy target_own on target using (business_id = (select current_business()));
grant select, insert, update, delete on target to ${appRole};

alter table visit add column recipient_id uuid;
create index on visit (business_id, recipient_id) where recipient_id is not null;

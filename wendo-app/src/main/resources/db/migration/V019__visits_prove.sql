alter table visit
    add column destination_id uuid,
    add column proof_id uuid,
    add column country varchar(2) not null default '',
    add column device varchar(8) not null default '';
alter table visit alter column country drop default, alter column device drop default;
create index on visit (business_id, proof_id) where proof_id is not null;

-- How long a business keeps personal data, by kind: kinds and months stand in the same order.
create table retention (
    id uuid primary key,
    business_id uuid not null unique references business,
    version integer not null default 0,
    kinds text[] not null,
    months integer[] not null check (cardinality(months) = cardinality(kinds))
);
alter table retention enable row level security;
create policy retention_own on retention using (business_id = (select current_business()));
grant select, insert, update on retention to ${appRole};

-- Businesses that were there before lose nothing by an update: they keep all for ten years until they say otherwise.
insert into retention
select gen_random_uuid(), id, 0, '{leads,messages,answers,recipients,subscribers,outcomes}', '{120,120,120,120,120,120}' from business;

-- Later news of an outcome changes it and leaves a trace. What is taken back keeps its row: kept_minor is what is left of
-- its value, and counts says whether it is one at all.
alter table outcome
    add column status varchar(10) not null default 'open'
        check (status in ('open', 'confirmed', 'cancelled', 'refunded')),
    add column refunded_minor bigint not null default 0
        check (refunded_minor between 0 and value_minor and (refunded_minor = 0 or status = 'refunded')),
    add column kept_minor bigint not null
        generated always as (case when status = 'cancelled' then 0 else value_minor - refunded_minor end) stored,
    add column counts boolean not null
        generated always as (status <> 'cancelled' and (status <> 'refunded' or refunded_minor < value_minor)) stored;
alter table outcome drop constraint outcome_reported_by_check;
alter table outcome add check (reported_by in ('site-tag', 'image', 'server', 'person'));
alter table outcome alter column status drop default, alter column refunded_minor drop default;
grant update (value_minor, occurred_at, click_id, status, refunded_minor) on outcome to ${appRole};

create table outcome_change (
    business_id uuid not null,
    outcome_id uuid not null,
    changed_at timestamptz not null,
    changed_by varchar(120) not null,
    field varchar(10) not null,
    before varchar(100) not null,
    after varchar(100) not null,
    foreign key (business_id, outcome_id) references outcome (business_id, id)
);
create index on outcome_change (business_id, outcome_id, changed_at);
alter table outcome_change enable row level security;
create policy outcome_change_own on outcome_change using (business_id = current_business());
grant select, insert on outcome_change to ${appRole};

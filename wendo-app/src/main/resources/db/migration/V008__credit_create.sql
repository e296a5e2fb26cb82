-- What each touch earned, per model. Shares are millionths of an outcome; the rows of one outcome and model add up to
-- 1,000,000 and to its value. An outcome that nothing joins has no row: it is direct or unknown.
create table credit (
    business_id uuid not null references business,
    model varchar(20) not null,
    outcome_id uuid not null,
    click_id uuid not null,
    touched_at timestamptz not null,
    source_id uuid not null,
    share_millionths bigint not null check (share_millionths between 1 and 1000000),
    value_minor bigint not null,
    primary key (outcome_id, model, click_id),
    foreign key (business_id, outcome_id) references outcome (business_id, id),
    foreign key (business_id, source_id) references source (business_id, id)
);
create index on credit (business_id, model, outcome_id);
alter table credit enable row level security;
create policy credit_own on credit using (business_id = current_business());
grant select, insert, delete on credit to ${appRole};

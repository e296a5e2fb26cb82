create table outcome (
    id uuid primary key,
    business_id uuid not null references business,
    kind varchar(10) not null check (kind in ('lead', 'booking', 'purchase')),
    reference varchar(100) not null,
    value_minor bigint not null check (value_minor >= 0),
    occurred_at timestamptz not null,
    recorded_at timestamptz not null,
    click_id uuid,
    reported_by varchar(10) not null check (reported_by in ('site-tag', 'server')),
    unique (business_id, kind, reference),
    unique (business_id, id)
);
create index on outcome (business_id, occurred_at desc, id);
create index on outcome (business_id, click_id) where click_id is not null;
alter table outcome enable row level security;
create policy outcome_own on outcome using (business_id = current_business());
grant select, insert on outcome to ${appRole};

-- A key that a caller sent with a report, and what the report said: the same key may not name two reports.
create table outcome_request (
    business_id uuid not null references business,
    idempotency_key varchar(200) not null,
    content_hash varchar(64) not null,
    received_at timestamptz not null,
    primary key (business_id, idempotency_key)
);
alter table outcome_request enable row level security;
create policy outcome_request_own on outcome_request using (business_id = current_business());
grant select, insert on outcome_request to ${appRole};

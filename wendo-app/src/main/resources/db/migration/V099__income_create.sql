-- A network whose reports are income: it pays the business for visits, so many days after an outcome.
alter table partner_network add column pays boolean not null default false,
    add column pays_after_days integer not null default 45 check (pays_after_days between 0 and 365);

-- What a network pays for an outcome, apart from what the customer paid.
create table income (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    network_id uuid not null,
    state varchar(8) not null check (state in ('pending', 'approved', 'declined', 'paid')),
    commission_minor bigint not null check (commission_minor >= 0),
    sale_minor bigint not null check (sale_minor >= 0),
    product varchar(200) not null,
    reported_at timestamptz not null,
    expected_on date not null,
    paid_at timestamptz,
    statement varchar(120) not null,
    foreign key (business_id, id) references outcome (business_id, id),
    foreign key (business_id, network_id) references partner_network (business_id, id)
);
create index on income (business_id, network_id, state);

-- News that changed it.
create table income_change (
    id uuid primary key,
    business_id uuid not null references business,
    outcome_id uuid not null,
    field varchar(10) not null,
    before varchar(20) not null,
    after varchar(20) not null,
    changed_at timestamptz not null,
    changed_by varchar(120) not null
);
create index on income_change (business_id, outcome_id, changed_at);

-- What arrived at the bank for a statement of a network.
create table income_statement (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    network_id uuid not null,
    statement varchar(120) not null,
    bank_minor bigint not null check (bank_minor >= 0),
    changed_at timestamptz not null,
    changed_by varchar(120) not null,
    unique (business_id, network_id, statement),
    foreign key (business_id, network_id) references partner_network (business_id, id)
);

do $$
declare
    name text;
begin
    foreach name in array array['income', 'income_change', 'income_statement'] loop
        execute format('alter table %I enable row level security', name);
        execute format('create policy %I on %I using (business_id = (select current_business()))', name || '_own', name);
    end loop;
end $$;
grant select, insert, update, delete on income, income_change to ${appRole};
grant select, insert, update on income_statement to ${appRole};

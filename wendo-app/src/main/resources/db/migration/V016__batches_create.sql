-- A file of links on its way: its rows as they came, what each would be, and what it became. state is matching,
-- checking, checked, issuing, issued or refused; done counts rows of the work under way.
create table batch (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(200) not null,
    columns text[] not null,
    matching jsonb not null,
    state varchar(10) not null,
    problem varchar(300) not null,
    done integer not null,
    total integer not null,
    created_at timestamptz not null,
    created_by varchar(120) not null,
    unique (business_id, id)
);
create index on batch (business_id, created_at desc);

-- verdict is good, wrong, known (the row carries a link that is there already) or empty text before the check.
create table batch_row (
    business_id uuid not null,
    batch_id uuid not null,
    line integer not null,
    cells text[] not null,
    verdict varchar(5) not null,
    shown varchar(400) not null,
    url varchar(400) not null,
    tagged_address varchar(2600) not null,
    faults text[] not null,
    link_id uuid,
    primary key (batch_id, line),
    foreign key (business_id, batch_id) references batch (business_id, id) on delete cascade,
    foreign key (business_id, link_id) references link (business_id, id)
);
create index on batch_row (batch_id, verdict, line);

alter table batch enable row level security;
alter table batch_row enable row level security;
create policy batch_own on batch using (business_id = current_business());
create policy batch_row_own on batch_row using (business_id = current_business());
grant select, insert, update, delete on batch, batch_row to ${appRole};

-- How the columns of a kind of file are read, remembered by its headings.
create table import_layout (
    business_id uuid not null references business,
    headings_key varchar(64) not null,
    matching jsonb not null,
    used_at timestamptz not null,
    primary key (business_id, headings_key)
);

-- A file of outcomes: matching, checked, importing, imported, undone or refused.
create table import_file (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(200) not null,
    headings text[] not null,
    written varchar(60) not null,
    matching jsonb not null,
    state varchar(10) not null,
    problem varchar(300) not null,
    total integer not null,
    created_at timestamptz not null,
    created_by varchar(120) not null,
    unique (business_id, id)
);
create index on import_file (business_id, created_at desc);

-- One row, its fate, and what the outcome was before, so that the import can be undone.
create table import_row (
    business_id uuid not null references business,
    file_id uuid not null,
    line integer not null,
    cells text[] not null,
    fate varchar(9) not null,
    said varchar(400) not null,
    outcome_id uuid,
    was_status varchar(10),
    was_value_minor bigint,
    was_refunded_minor bigint,
    primary key (file_id, line),
    foreign key (business_id, file_id) references import_file (business_id, id)
);
create index on import_row (business_id, outcome_id) where outcome_id is not null;

alter table import_layout enable row level security;
alter table import_file enable row level security;
alter table import_row enable row level security;
create policy import_layout_own on import_layout using (business_id = (select current_business()));
create policy import_file_own on import_file using (business_id = (select current_business()));
create policy import_row_own on import_row using (business_id = (select current_business()));
grant select, insert, update, delete on import_layout, import_file, import_row to ${appRole};

-- What an import that is undone had brought goes again.
grant delete on outcome, outcome_change, outcome_clue, lead, lead_task, lead_event to ${appRole};

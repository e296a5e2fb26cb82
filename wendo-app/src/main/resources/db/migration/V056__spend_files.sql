-- Files from ad accounts: what was spent on which day under which name. How a file with the same heading is read, and which
-- source a name stands for, is remembered. Of one heading, source and day there is one entry, however often it comes.
create table spend_file (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(200) not null,
    columns text[] not null,
    day_column integer not null,
    amount_column integer not null,
    name_column integer not null,
    day_order varchar(11) not null,
    amounts varchar(5) not null,
    created_at timestamptz not null,
    created_by varchar(120) not null,
    imported_at timestamptz,
    unique (business_id, id)
);
create table spend_file_row (
    business_id uuid not null references business,
    file_id uuid not null,
    line integer not null,
    cells text[] not null,
    primary key (file_id, line),
    foreign key (business_id, file_id) references spend_file (business_id, id)
);
create table spend_layout (
    business_id uuid not null references business,
    heading varchar(32) not null,
    day_column integer not null,
    amount_column integer not null,
    name_column integer not null,
    day_order varchar(11) not null,
    amounts varchar(5) not null,
    primary key (business_id, heading)
);
create table spend_name (
    business_id uuid not null references business,
    key varchar(200) not null,
    source_id uuid not null,
    primary key (business_id, key),
    foreign key (business_id, source_id) references source (business_id, id)
);
alter table spend add column origin varchar(32) not null default '';
create unique index on spend (business_id, source_id, first_day, origin) where origin <> '';
alter table spend_file enable row level security;
alter table spend_file_row enable row level security;
alter table spend_layout enable row level security;
alter table spend_name enable row level security;
create policy spend_file_own on spend_file using (business_id = (select current_business()));
create policy spend_file_row_own on spend_file_row using (business_id = (select current_business()));
create policy spend_layout_own on spend_layout using (business_id = (select current_business()));
create policy spend_name_own on spend_name using (business_id = (select current_business()));
grant select, insert, update on spend_file, spend_file_row, spend_layout, spend_name to ${appRole};

create table spend (
    id uuid primary key,
    business_id uuid not null references business,
    source_id uuid not null,
    amount_minor bigint not null check (amount_minor > 0),
    first_day date not null,
    last_day date not null,
    note varchar(200) not null,
    created_at timestamptz not null,
    created_by varchar(120) not null,
    check (first_day <= last_day),
    foreign key (business_id, source_id) references source (business_id, id)
);
create index on spend (business_id, first_day, last_day);
alter table spend enable row level security;
create policy spend_own on spend using (business_id = current_business());
grant select, insert, delete on spend to ${appRole};

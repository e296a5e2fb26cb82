-- What another system counted for a source, day by day, to be held against our count.
create table cross_check (
    business_id uuid not null references business,
    id uuid not null,
    source_id uuid not null,
    counted varchar(8) not null check (counted in ('visit', 'lead', 'booking', 'purchase')),
    system varchar(80) not null,
    zone varchar(60) not null,
    tolerance_percent integer not null check (tolerance_percent between 1 and 100),
    created_at timestamptz not null,
    created_by varchar(120) not null,
    removed_at timestamptz,
    primary key (business_id, id),
    foreign key (business_id, source_id) references source (business_id, id)
);
create table their_count (
    business_id uuid not null,
    check_id uuid not null,
    day date not null,
    number bigint not null check (number >= 0),
    primary key (business_id, check_id, day),
    foreign key (business_id, check_id) references cross_check (business_id, id)
);
alter table cross_check enable row level security;
alter table their_count enable row level security;
create policy cross_check_own on cross_check using (business_id = (select current_business()));
create policy their_count_own on their_count using (business_id = (select current_business()));
grant select, insert, update on cross_check, their_count to ${appRole};

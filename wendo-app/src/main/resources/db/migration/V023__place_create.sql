-- Where and when a link was put out, in how many copies, at what price: in thousandths of the minor unit.
create table placement (
    id uuid primary key,
    business_id uuid not null references business,
    link_id uuid not null,
    place varchar(200) not null,
    placed_on date not null,
    ends_on date not null,
    copies bigint check (copies > 0),
    unit_price_millis bigint check (unit_price_millis >= 0),
    spend_id uuid references spend (id) on delete set null,
    note varchar(1000) not null,
    words text not null generated always as (lower(place || ' ' || note)) stored,
    created_at timestamptz not null,
    created_by varchar(120) not null,
    check (placed_on <= ends_on),
    unique (business_id, id),
    foreign key (business_id, link_id) references link (business_id, id)
);
create index on placement (business_id, link_id, placed_on desc);
create index on placement (spend_id);
alter table placement enable row level security;
create policy placement_own on placement using (business_id = current_business());
grant select, insert, delete on placement to ${appRole};

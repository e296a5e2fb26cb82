-- Links on the business's own pages that lead away, as the site tag saw them followed.
create table outbound_click (
    business_id uuid not null references business,
    id uuid not null,
    clicked_at timestamptz not null,
    visitor uuid not null,
    kind varchar(8) not null check (kind in ('person', 'repeat', 'preview', 'robot')),
    page varchar(1500) not null,
    address varchar(1500) not null,
    target varchar(1500) not null,
    primary key (business_id, id)
);
create index on outbound_click (business_id, clicked_at);
create index on outbound_click (business_id, visitor, clicked_at);

-- Which of them are counted together, and what one is worth: an amount, or the average that was measured.
create table outbound_pattern (
    business_id uuid not null references business,
    id uuid not null,
    name varchar(80) not null,
    pattern varchar(300) not null,
    likes varchar(900) not null,
    worth_minor bigint check (worth_minor > 0),
    added_at timestamptz not null,
    added_by varchar(120) not null,
    primary key (business_id, id),
    unique (business_id, pattern)
);
alter table outbound_click enable row level security;
alter table outbound_pattern enable row level security;
create policy outbound_click_own on outbound_click using (business_id = (select current_business()));
create policy outbound_pattern_own on outbound_pattern using (business_id = (select current_business()));
grant select, insert, delete on outbound_click to ${appRole};
grant select, insert, update, delete on outbound_pattern to ${appRole};

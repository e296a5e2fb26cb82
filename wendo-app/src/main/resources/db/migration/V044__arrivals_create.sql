-- Arrivals on the business's own site that no link brought, as the site tag tells of them.
create table site_arrival (
    business_id uuid not null references business,
    id uuid not null,
    arrived_at timestamptz not null,
    visitor uuid not null,
    kind varchar(8) not null check (kind in ('person', 'repeat', 'preview', 'robot')),
    reason varchar(200) not null,
    origin varchar(8) not null check (origin in ('tagged', 'search', 'social', 'referral', 'direct')),
    source_id uuid,
    referrer_host varchar(255) not null,
    referrer varchar(1500) not null,
    page varchar(1500) not null,
    device varchar(10) not null,
    primary key (business_id, id),
    foreign key (business_id, source_id) references source (business_id, id)
);
create index on site_arrival (business_id, arrived_at desc);
create index on site_arrival (business_id, visitor, arrived_at desc);
create index on site_arrival (business_id, referrer_host) where referrer_host <> '';
alter table site_arrival enable row level security;
create policy site_arrival_own on site_arrival using (business_id = (select current_business()));
grant select, insert, update, delete on site_arrival to ${appRole};

-- The visitor of the business's own site, by the tag's own cookie: joins an outcome to a landing or an arrival.
alter table landing add column visitor uuid;
create index on landing (business_id, visitor) where visitor is not null;
create index on landing (business_id, landed_at);
grant delete on landing to ${appRole};
alter table outcome add column visitor uuid;
create index on outcome (business_id, visitor) where visitor is not null;
grant update (visitor) on outcome to ${appRole};

-- A page or a whole site that leads here can stand for a source.
alter table source_clue drop constraint source_clue_kind_check;
alter table source_clue alter column kind type varchar(8), add check (kind in ('code', 'answer', 'referrer'));

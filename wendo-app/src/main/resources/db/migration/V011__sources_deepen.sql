-- Who looks after a source, and what happens to it. A source that turned out to be another one keeps its row, its tag
-- and a pointer to the one that now has everything.
alter table source
    add column contact varchar(200) not null default '',
    add column note varchar(1000) not null default '',
    add column owner_id uuid,
    add column archived_at timestamptz,
    add column merged_into uuid,
    add foreign key (business_id, owner_id) references membership (business_id, person_id) on delete set null (owner_id),
    add foreign key (business_id, merged_into) references source (business_id, id);
alter table source alter column contact drop default, alter column note drop default;

create table source_merge (
    id uuid primary key,
    business_id uuid not null references business,
    kept_id uuid not null,
    merged_id uuid not null,
    merged_name varchar(120) not null,
    reason varchar(300) not null,
    links bigint not null,
    visits bigint not null,
    merged_at timestamptz not null,
    merged_by varchar(120) not null,
    foreign key (business_id, kept_id) references source (business_id, id),
    foreign key (business_id, merged_id) references source (business_id, id)
);
create index on source_merge (business_id, kept_id);
alter table source_merge enable row level security;
create policy source_merge_own on source_merge using (business_id = current_business());
grant select, insert on source_merge to ${appRole};

-- A channel without a row has its usual window.
create table channel_window (
    business_id uuid not null references business,
    channel varchar(12) not null,
    days integer not null check (days between 1 and 730),
    primary key (business_id, channel)
);
alter table channel_window enable row level security;
create policy channel_window_own on channel_window using (business_id = current_business());
grant select, insert, update, delete on channel_window to ${appRole};

-- A merge moves what belonged to the merged source.
grant update (source_id) on visit to ${appRole};
grant update (source_id) on spend to ${appRole};
grant update (source_id) on credit to ${appRole};

-- An ad desk that takes lists of hashed contacts, with the key that it is called with.
create table ad_desk (
    id uuid primary key,
    version integer not null,
    business_id uuid not null references business,
    name varchar(80) not null,
    address varchar(2000) not null,
    key varchar(200) not null,
    made_at timestamptz not null,
    made_by varchar(120) not null,
    removed_at timestamptz,
    unique (business_id, id)
);
create unique index on ad_desk (business_id, lower(name)) where removed_at is null;

-- An audience that is kept on a desk's list, day by day, and how it went last.
create table transfer (
    id uuid primary key,
    version integer not null,
    business_id uuid not null references business,
    audience_id uuid not null,
    desk_id uuid not null,
    list_name varchar(80) not null,
    made_at timestamptz not null,
    made_by varchar(120) not null,
    run_at timestamptz,
    added bigint not null,
    removed bigint not null,
    size bigint not null,
    matched bigint not null,
    fault varchar(300) not null,
    ended_at timestamptz,
    unique (business_id, id),
    foreign key (business_id, audience_id) references audience (business_id, id),
    foreign key (business_id, desk_id) references ad_desk (business_id, id)
);
create unique index on transfer (desk_id, list_name) where ended_at is null;
create index on transfer (business_id, audience_id);

-- What is on the desk's list. A hash tells nobody who it is, and is all that is kept here.
create table transferred (
    transfer_id uuid not null,
    business_id uuid not null,
    hash varchar(64) not null,
    primary key (transfer_id, hash),
    foreign key (business_id, transfer_id) references transfer (business_id, id)
);

alter table ad_desk enable row level security;
alter table transfer enable row level security;
alter table transferred enable row level security;
create policy ad_desk_own on ad_desk using (business_id = (select current_business()));
create policy transfer_own on transfer using (business_id = (select current_business()));
create policy transferred_own on transferred using (business_id = (select current_business()));
grant select, insert, update on ad_desk, transfer to ${appRole};
grant select, insert, delete on transferred to ${appRole};

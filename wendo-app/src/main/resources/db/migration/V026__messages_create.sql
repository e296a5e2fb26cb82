create table message (
    link_id uuid primary key,
    business_id uuid not null references business,
    text varchar(2000) not null,
    recipients bigint,
    price_millis bigint,
    updated_at timestamptz not null,
    foreign key (business_id, link_id) references link (business_id, id)
);
create index on message (business_id);

create table recipient_list (
    id uuid primary key,
    business_id uuid not null references business,
    link_id uuid not null,
    name varchar(200) not null,
    columns text[] not null,
    name_column integer not null,
    phone_column integer not null,
    email_column integer not null,
    text varchar(2000) not null,
    made_at timestamptz,
    created_at timestamptz not null,
    created_by varchar(120) not null,
    unique (business_id, id),
    foreign key (business_id, link_id) references link (business_id, id)
);
create index on recipient_list (business_id, link_id, created_at desc);

-- Somebody a link was sent to. The code behind the link's own address tells them apart.
create table recipient (
    id uuid primary key,
    business_id uuid not null,
    list_id uuid not null,
    link_id uuid not null,
    line integer not null,
    cells text[] not null,
    name varchar(200) not null,
    phone varchar(20) not null,
    email varchar(254) not null,
    code varchar(8),
    fault varchar(200) not null,
    unique (list_id, line),
    unique (link_id, code),
    foreign key (business_id, list_id) references recipient_list (business_id, id)
);
create index on recipient (business_id, phone) where phone <> '';
create index on recipient (business_id, email) where email <> '';

alter table message enable row level security;
alter table recipient_list enable row level security;
alter table recipient enable row level security;
create policy message_own on message using (business_id = current_business());
create policy recipient_list_own on recipient_list using (business_id = current_business());
create policy recipient_own on recipient using (business_id = current_business());
grant select, insert, update on message, recipient_list, recipient to ${appRole};

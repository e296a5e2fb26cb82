create table link_filter (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(60) not null,
    query varchar(2000) not null,
    created_by varchar(120) not null,
    unique (business_id, name)
);
alter table link_filter enable row level security;
create policy link_filter_own on link_filter using (business_id = current_business());
grant select, insert, update, delete on link_filter to ${appRole};

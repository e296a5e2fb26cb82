-- What needs a person, put off until a day. What a thing is, is told by its key.
create table put_off (
    business_id uuid not null references business,
    key varchar(120) not null,
    until_day date not null,
    put_off_by varchar(120) not null,
    primary key (business_id, key)
);
alter table put_off enable row level security;
create policy put_off_own on put_off using (business_id = (select current_business()));
grant select, insert, update, delete on put_off to ${appRole};

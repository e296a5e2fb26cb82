-- What the site tag sent within the last day, with what was wrong, for whoever sets it up.
create table tag_call (
    business_id uuid not null references business,
    id uuid not null,
    at timestamptz not null,
    what varchar(10) not null,
    page varchar(300) not null,
    fields json not null,
    fault varchar(1000) not null,
    primary key (business_id, id)
);
create index on tag_call (business_id, at desc);
create index on tag_call (at);
alter table tag_call enable row level security;
create policy tag_call_own on tag_call using (business_id = (select current_business()));
grant select, insert on tag_call to ${appRole};

create function forget_tag_calls(before timestamptz) returns void
    language sql security definer set search_path = public
    as $$ delete from tag_call where at < before $$;

-- Pages that the site tag saw loaded at the end of a visit.
create table landing (
    business_id uuid not null references business,
    click_id uuid not null,
    landed_at timestamptz not null,
    address varchar(2600) not null,
    primary key (business_id, click_id)
);
alter table landing enable row level security;
create policy landing_own on landing using (business_id = current_business());
grant select, insert on landing to ${appRole};

-- Before anybody has an account, whoever runs the installation claims it by a code that its console shows.
create table installation_claim (
    id integer primary key check (id = 1),
    code_hash varchar(64) not null,
    business varchar(120) not null,
    currency varchar(3) not null,
    zone varchar(60) not null,
    locale varchar(20) not null
);
grant select, insert, update, delete on installation_claim to ${appRole};

-- Whether a business still wants to be shown its first steps.
create table first_steps (
    id uuid primary key,
    business_id uuid not null unique references business,
    version integer not null default 0,
    dismissed_at timestamptz not null
);
alter table first_steps enable row level security;
create policy first_steps_own on first_steps using (business_id = (select current_business()));
grant select, insert, update on first_steps to ${appRole};

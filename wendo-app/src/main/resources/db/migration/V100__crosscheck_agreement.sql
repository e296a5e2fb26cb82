-- A view of a cross-check that both sides can open, and the number that each of them says yes to.
create table count_agreement (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    token varchar(22) unique,
    ours_number bigint,
    ours_by varchar(120) not null,
    ours_at timestamptz,
    theirs_number bigint,
    theirs_by varchar(120) not null,
    theirs_at timestamptz,
    foreign key (business_id, id) references cross_check (business_id, id)
);

-- What both sides write to each other about it.
create table count_note (
    id uuid primary key,
    business_id uuid not null references business,
    check_id uuid not null,
    from_them boolean not null,
    author varchar(120) not null,
    body varchar(1000) not null,
    written_at timestamptz not null,
    foreign key (business_id, check_id) references cross_check (business_id, id)
);
create index on count_note (business_id, check_id, written_at);

alter table count_agreement enable row level security;
alter table count_note enable row level security;
create policy count_agreement_own on count_agreement using (business_id = (select current_business()));
create policy count_note_own on count_note using (business_id = (select current_business()));
grant select, insert, update on count_agreement to ${appRole};
grant select, insert on count_note to ${appRole};

-- Whose view an address is.
create function door_counts(wanted varchar) returns uuid
    language sql stable security definer set search_path = public, pg_temp
    as $$ select a.business_id from count_agreement a join cross_check k on k.business_id = a.business_id and k.id = a.id
        where a.token = wanted and k.removed_at is null $$;
revoke all on function door_counts(varchar) from public;
grant execute on function door_counts(varchar) to ${appRole};

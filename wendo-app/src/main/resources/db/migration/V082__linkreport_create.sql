-- A report of one link, of a campaign's links, or of those with a label, for somebody without a login. Its address is a
-- secret; it is switched on and off, and opens with what is known then.
create table link_report (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    kind varchar(10) not null check (kind in ('link', 'campaign', 'label')),
    subject varchar(60) not null,
    token varchar(40) not null unique,
    is_on boolean not null,
    with_outcomes boolean not null,
    period varchar(80) not null,
    created_at timestamptz not null,
    created_by varchar(120) not null,
    opened bigint not null,
    opened_at timestamptz,
    unique (business_id, kind, subject)
);
alter table link_report enable row level security;
create policy link_report_own on link_report using (business_id = (select current_business()));
grant select, insert, update on link_report to ${appRole};

-- Whose report an address is of, asked by anybody. One that is switched off is nobody's.
create function door_link_report(wanted varchar) returns uuid
    language sql stable security definer set search_path = public, pg_temp
    as $$ select business_id from link_report where token = wanted and is_on $$;
revoke all on function door_link_report(varchar) from public;
grant execute on function door_link_report(varchar) to ${appRole};

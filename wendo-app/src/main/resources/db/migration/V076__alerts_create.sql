-- Who wants to be told of the visits of a link, and how far they were told.
create table link_alert (
    business_id uuid not null references business,
    link_id uuid not null,
    person_id uuid not null references person,
    mode varchar(5) not null check (mode in ('each', 'steps')),
    visits_before bigint not null,
    since timestamptz not null,
    told_visits bigint not null,
    told_at timestamptz,
    primary key (link_id, person_id),
    foreign key (business_id, link_id) references link (business_id, id)
);
alter table link_alert enable row level security;
create policy link_alert_own on link_alert using (business_id = (select current_business()));
grant select, insert, update, delete on link_alert to ${appRole};

create function door_link_alerts() returns setof uuid
    language sql stable security definer set search_path = public, pg_temp
    as $$ select distinct business_id from link_alert $$;
revoke all on function door_link_alerts() from public;
grant execute on function door_link_alerts() to ${appRole};

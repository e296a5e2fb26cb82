-- What became of a lead outcome here: who has it, how far it is, and the booking or purchase it became.
create table lead (
    outcome_id uuid primary key,
    business_id uuid not null references business,
    owner_id uuid references person,
    stage varchar(6) not null check (stage in ('new', 'quoted', 'won', 'lost')),
    quoted_minor bigint not null check (quoted_minor >= 0),
    lost_reason varchar(200) not null,
    labels text[] not null,
    note varchar(1000) not null,
    shared_with varchar(254) not null,
    became_id uuid,
    arrived_at timestamptz not null,
    handed_at timestamptz,
    foreign key (business_id, outcome_id) references outcome (business_id, id),
    foreign key (business_id, became_id) references outcome (business_id, id)
);
create index on lead (business_id, arrived_at desc);
create index on lead (business_id, owner_id, stage);
create index on lead (arrived_at) where handed_at is null;

create table lead_task (
    id uuid primary key,
    business_id uuid not null references business,
    lead_id uuid not null,
    place integer,
    text varchar(400) not null,
    due_at timestamptz not null,
    done_at timestamptz,
    done_by varchar(120) not null,
    unique (lead_id, place),
    foreign key (business_id, lead_id) references outcome (business_id, id)
);
create index on lead_task (business_id, due_at) where done_at is null;
create index on lead_task (business_id, lead_id);

create table lead_event (
    business_id uuid not null references business,
    lead_id uuid not null,
    at timestamptz not null,
    by varchar(120) not null,
    said varchar(400) not null,
    foreign key (business_id, lead_id) references outcome (business_id, id)
);
create index on lead_event (business_id, lead_id, at);

alter table lead enable row level security;
alter table lead_task enable row level security;
alter table lead_event enable row level security;
create policy lead_own on lead using (business_id = (select current_business()));
create policy lead_task_own on lead_task using (business_id = (select current_business()));
create policy lead_event_own on lead_event using (business_id = (select current_business()));
grant select, insert, update on lead, lead_task to ${appRole};
grant select, insert on lead_event to ${appRole};

-- Leads that were there before they were worked on here are nobody's, and nothing is sent to them.
insert into lead
select id, business_id, null, 'new', 0, '', '{}', '', '', null, occurred_at, recorded_at
from outcome where kind = 'lead' and not is_proof;

-- Whose leads wait to be handed over.
create function door_leads_waiting() returns setof uuid
    language sql stable security definer set search_path = public
    as $$ select distinct business_id from lead where handed_at is null $$;

-- When messages of a business may go out.
alter table business
    add column cut_off time not null default '17:00',
    add column quiet_from time not null default '20:00',
    add column quiet_until time not null default '08:00';

-- People who get leads in turn.
create table round (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(80) not null,
    unique (business_id, name),
    unique (business_id, id)
);
create table round_turn (
    business_id uuid not null references business,
    round_id uuid not null,
    person_id uuid not null references person,
    place integer not null,
    weight integer not null check (weight between 1 and 10),
    days_off integer[] not null,
    away_from date,
    away_until date,
    given bigint not null,
    primary key (round_id, person_id),
    foreign key (business_id, round_id) references round (business_id, id)
);

-- A follow-up plan and its steps.
create table follow_up_plan (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(80) not null,
    unique (business_id, name),
    unique (business_id, id)
);
create table follow_up_step (
    business_id uuid not null references business,
    plan_id uuid not null,
    place integer not null,
    kind varchar(6) not null check (kind in ('email', 'text', 'voice', 'task')),
    days integer not null,
    minutes integer not null,
    subject varchar(200) not null,
    body varchar(2000) not null,
    clip_id uuid,
    primary key (plan_id, place),
    foreign key (business_id, plan_id) references follow_up_plan (business_id, id),
    foreign key (business_id, clip_id) references clip (business_id, id)
);

-- What happens to a lead on arrival, for all leads, a campaign's, a source's or a link's: the narrowest that there is.
create table handover (
    business_id uuid not null references business,
    reach varchar(8) not null check (reach in ('business', 'campaign', 'source', 'link')),
    reach_id uuid not null,
    owner_is varchar(6) not null check (owner_is in ('issuer', 'person', 'round', 'none')),
    person_id uuid references person,
    round_id uuid,
    partner varchar(254) not null,
    labels text[] not null,
    note varchar(600) not null,
    alerts boolean not null,
    plan_id uuid,
    primary key (business_id, reach, reach_id),
    foreign key (business_id, round_id) references round (business_id, id),
    foreign key (business_id, plan_id) references follow_up_plan (business_id, id)
);

alter table round enable row level security;
alter table round_turn enable row level security;
alter table follow_up_plan enable row level security;
alter table follow_up_step enable row level security;
alter table handover enable row level security;
create policy round_own on round using (business_id = (select current_business()));
create policy round_turn_own on round_turn using (business_id = (select current_business()));
create policy follow_up_plan_own on follow_up_plan using (business_id = (select current_business()));
create policy follow_up_step_own on follow_up_step using (business_id = (select current_business()));
create policy handover_own on handover using (business_id = (select current_business()));
grant select, insert, update, delete on round, round_turn, follow_up_plan, follow_up_step, handover to ${appRole};
grant update (cut_off, quiet_from, quiet_until) on business to ${appRole};

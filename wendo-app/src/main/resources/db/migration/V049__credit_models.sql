-- People are told by what they can be recognised by. Whatever stands for the same person has the same number; why two of
-- them are one person is kept with each join, and a join can be undone.
create table identity (
    id uuid primary key,
    business_id uuid not null references business,
    kind varchar(8) not null check (kind in ('visitor', 'browser', 'email', 'phone')),
    key varchar(254) not null,
    person uuid not null,
    unique (business_id, kind, key),
    unique (business_id, id)
);
-- Not by business too: where a table is new, that part alone would look good enough to the planner.
create index on identity (person);

create table identity_join (
    business_id uuid not null references business,
    one uuid not null,
    other uuid not null,
    reason varchar(300) not null,
    made_at timestamptz not null,
    made_by varchar(120) not null,
    undone_at timestamptz,
    undone_by varchar(120) not null,
    primary key (one, other),
    check (one < other),
    foreign key (business_id, one) references identity (business_id, id) on delete cascade,
    foreign key (business_id, other) references identity (business_id, id) on delete cascade
);
create index on identity_join (other);

-- What an outcome's person is told by, and the lead that it continues.
create table trail (
    outcome_id uuid primary key,
    business_id uuid not null references business,
    identity_id uuid,
    follows_id uuid,
    foreign key (business_id, outcome_id) references outcome (business_id, id),
    foreign key (business_id, identity_id) references identity (business_id, id) on delete cascade,
    foreign key (business_id, follows_id) references outcome (business_id, id) on delete set null (follows_id)
);
create index on trail (identity_id);
create index on trail (follows_id) where follows_id is not null;

-- How the models share; and whether a booking that continues a lead is credited again by itself.
create table credit_rule (
    business_id uuid primary key references business,
    first_percent integer not null check (first_percent between 0 and 100),
    last_percent integer not null check (last_percent between 0 and 100 - first_percent),
    half_life_days integer not null check (half_life_days between 1 and 365),
    credits_again boolean not null
);

-- Credit is made anew beside the credit that stands, which goes when the new one is complete.
create table credit_edition (
    business_id uuid primary key references business,
    current bigint not null,
    building bigint,
    why varchar(200) not null,
    asked_at timestamptz not null,
    done integer not null,
    total integer not null,
    finished_at timestamptz
);

-- What each touch of an outcome's trail earned, under every model. Shares are millionths of an outcome. Entry 0 is the
-- outcome as it was reported; those after it take back what was cancelled or refunded, at the time of that. The rows of
-- one outcome and model add up to what is left of it. Sources are never deleted, so no key is checked for each row. An outcome that nothing joins has no row: it is direct or unknown;
-- so is what was earned by a touch without a source.
create table credit_row (
    business_id uuid not null,
    outcome_id uuid not null,
    edition bigint not null,
    entry integer not null,
    touch integer not null,
    at timestamptz not null,
    how varchar(7) not null check (how in ('visit', 'arrival', 'given', 'lead')),
    touched_at timestamptz not null,
    click_id uuid,
    source_id uuid,
    link_id uuid,
    last_touch_share integer not null,
    last_non_direct_share integer not null,
    first_touch_share integer not null,
    linear_share integer not null,
    position_based_share integer not null,
    time_decay_share integer not null,
    markov_share integer not null,
    shapley_share integer not null,
    last_touch_minor bigint not null,
    last_non_direct_minor bigint not null,
    first_touch_minor bigint not null,
    linear_minor bigint not null,
    position_based_minor bigint not null,
    time_decay_minor bigint not null,
    markov_minor bigint not null,
    shapley_minor bigint not null,
    primary key (outcome_id, edition, entry, touch),
    foreign key (business_id, outcome_id) references outcome (business_id, id)
);
create index on credit_row (business_id, link_id) where link_id is not null;
create index on credit_row (business_id, touched_at);
create index on credit_row (business_id, at);

insert into credit_row
select c.business_id, c.outcome_id, 1, 0, 0, o.occurred_at, case when c.click_id is null then 'given' else 'visit' end,
    c.touched_at, c.click_id, c.source_id, c.link_id,
    c.share_millionths, c.share_millionths, c.share_millionths, c.share_millionths,
    c.share_millionths, c.share_millionths, c.share_millionths, c.share_millionths,
    c.value_minor, c.value_minor, c.value_minor, c.value_minor,
    c.value_minor, c.value_minor, c.value_minor, c.value_minor
from credit c join outcome o on o.id = c.outcome_id where c.model = 'last-touch';
drop table credit;

-- The journeys of people, in the order of the sources they met, from which the data-driven models learn.
create table journey (
    business_id uuid not null references business,
    sources uuid[] not null,
    people bigint not null,
    leads bigint not null,
    bookings bigint not null,
    purchases bigint not null
);
create index on journey (business_id);

create table journey_made (
    business_id uuid primary key references business,
    made_at timestamptz not null
);

alter table identity enable row level security;
alter table identity_join enable row level security;
alter table trail enable row level security;
alter table credit_rule enable row level security;
alter table credit_edition enable row level security;
alter table credit_row enable row level security;
alter table journey enable row level security;
alter table journey_made enable row level security;
create policy identity_own on identity using (business_id = (select current_business()));
create policy identity_join_own on identity_join using (business_id = (select current_business()));
create policy trail_own on trail using (business_id = (select current_business()));
create policy credit_rule_own on credit_rule using (business_id = (select current_business()));
create policy credit_edition_own on credit_edition using (business_id = (select current_business()));
create policy credit_row_own on credit_row using (business_id = (select current_business()));
create policy journey_own on journey using (business_id = (select current_business()));
create policy journey_made_own on journey_made using (business_id = (select current_business()));
grant select, insert, update, delete on identity, identity_join, trail, credit_row, journey to ${appRole};
grant select, insert, update on credit_rule, credit_edition, journey_made to ${appRole};

-- The credit that stands.
create view credit with (security_invoker = true) as
    select * from credit_row where edition = coalesce((select current from credit_edition), 1);
grant select on credit to ${appRole};

-- The one source that an outcome is shown under: the latest touch that a source brought.
create view outcome_source with (security_invoker = true) as
    select outcome_id, source_id, link_id, click_id, touched_at from credit
    where entry = 0 and last_non_direct_share > 0 and source_id is not null;
grant select on outcome_source to ${appRole};

-- What there is already is known by the strongest that came with it; without that, its credit could not be made anew.
create temporary table known as
    select distinct on (o.id) o.business_id, o.id as outcome_id, k.kind, k.key
    from outcome o
    left join visit v on v.click_id = o.click_id and v.arrived_at = click_time(o.click_id)
        and v.kind not in ('preview', 'proof')
    cross join lateral (values ('visitor', v.visitor::text, 1), ('browser', o.visitor::text, 2),
        ('email', nullif(o.email, ''), 3), ('phone', nullif(o.phone, ''), 4)) k (kind, key, place)
    where not o.is_proof and k.key is not null
    order by o.id, k.place;
insert into identity
select gen_random_uuid(), business_id, kind, key, gen_random_uuid() from known group by business_id, kind, key;
insert into trail
select k.outcome_id, k.business_id, i.id, null
from known k join identity i on i.business_id = k.business_id and i.kind = k.kind and i.key = k.key;
drop table known;

-- The business's own sites, by host: what their pages report counts at once. Those that links lead to are taken over.
create table business_site (
    business_id uuid not null references business,
    host varchar(255) not null,
    added_at timestamptz not null,
    added_by varchar(120) not null,
    primary key (business_id, host)
);
alter table business_site enable row level security;
create policy business_site_own on business_site using (business_id = (select current_business()));
grant select, insert, delete on business_site to ${appRole};
insert into business_site
select distinct business_id, lower(substring(address from '^https?://([^/:?#]+)')), now(), 'Wendo'
from destination where address ~ '^https?://[^/:?#]+';

-- The greatest value of one report that is believed; empty for what the business's own figures suggest. The secret is what
-- a site with a server signs its reports by.
alter table business add column most_believed_minor bigint check (most_believed_minor > 0),
    add column site_secret varchar(64) not null
        default replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', '');
grant update (most_believed_minor, site_secret) on business to ${appRole};

-- Reports that were not believed: they count nowhere until somebody accepts them.
create table outcome_review (
    id uuid primary key,
    business_id uuid not null references business,
    kind varchar(20) not null,
    reference_key varchar(300) not null,
    body jsonb not null,
    reported_by varchar(10) not null,
    visitor varchar(60) not null,
    site varchar(255) not null,
    reason varchar(300) not null,
    received_at timestamptz not null,
    state varchar(9) not null check (state in ('waiting', 'accepted', 'discarded')),
    decided_by varchar(120) not null
);
create unique index on outcome_review (business_id, kind, reference_key) where state = 'waiting';
create index on outcome_review (business_id, received_at desc) where state = 'waiting';
alter table outcome_review enable row level security;
create policy outcome_review_own on outcome_review using (business_id = (select current_business()));
grant select, insert, update on outcome_review to ${appRole};

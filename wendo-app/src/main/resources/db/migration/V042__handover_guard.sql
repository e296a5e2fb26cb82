-- Anybody can fill in a form with another's address. What goes out by itself is counted by address and by hour.
alter table outgoing add column kept_at timestamptz not null default now();
create index on outgoing (business_id, recipient, kept_at) where purpose = 'plan';
create index on outgoing (business_id, kept_at) where purpose = 'plan';

-- A lead that could not be handed over waits a while, and keeps no other waiting.
alter table lead add column tried_at timestamptz;

-- A test is no lead: whoever marks an outcome as one takes its lead away.
delete from lead where outcome_id in (select id from outcome where is_proof)
    and not exists (select from lead_task t where t.lead_id = outcome_id)
    and not exists (select from outgoing g where g.lead_id = outcome_id);

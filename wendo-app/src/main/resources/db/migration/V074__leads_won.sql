-- Somebody said which booking or purchase a lead became: that goes before what the same person's contacts suggest.
alter table lead add column is_won_by_hand boolean not null default false;
create index on lead (business_id, became_id) where became_id is not null;

-- What something cost, as people know it: an amount for some days, an amount each month, or a price per visit; for a source,
-- for one link of it, or for a campaign, whose cost its sources share. What goes on has no last day. 0 is known to be none.
alter table spend
    add column way varchar(6) not null default 'lump' check (way in ('lump', 'month', 'visit')),
    add column unit_millis bigint not null default 0 check (unit_millis >= 0),
    add column link_id uuid,
    add column campaign_id uuid,
    add column shared_by varchar(8) not null default '' check (shared_by in ('', 'equally', 'copies', 'visits')),
    add column removed_at timestamptz,
    alter column source_id drop not null,
    alter column last_day drop not null,
    drop constraint spend_amount_minor_check,
    add check (amount_minor >= 0),
    add check ((source_id is null) <> (campaign_id is null)),
    add check (way <> 'lump' or last_day is not null),
    add unique (business_id, id),
    add foreign key (business_id, link_id) references link (business_id, id),
    add foreign key (business_id, campaign_id) references campaign (business_id, id);
alter table spend alter column way drop default, alter column unit_millis drop default, alter column shared_by drop default;
grant update on spend to ${appRole};

-- What cost is known by which link it was spent on.
update spend s set link_id = p.link_id from placement p where p.spend_id = s.id;

-- What an entry said before it was corrected.
create table spend_correction (
    business_id uuid not null references business,
    spend_id uuid not null,
    said varchar(400) not null,
    corrected_at timestamptz not null,
    corrected_by varchar(120) not null,
    foreign key (business_id, spend_id) references spend (business_id, id)
);
create index on spend_correction (spend_id, corrected_at);
alter table spend_correction enable row level security;
create policy spend_correction_own on spend_correction using (business_id = (select current_business()));
grant select, insert on spend_correction to ${appRole};

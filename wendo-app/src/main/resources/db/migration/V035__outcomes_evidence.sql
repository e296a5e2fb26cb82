-- What a report tells beside what happened; empty text for what it does not tell. The keys are what is compared.
alter table outcome
    add column name varchar(120) not null default '',
    add column email varchar(254) not null default '',
    add column phone varchar(20) not null default '',
    add column code varchar(200) not null default '',
    add column code_key varchar(40) not null default '',
    add column answer varchar(200) not null default '',
    add column answer_key varchar(100) not null default '',
    add column items varchar(1000) not null default '',
    add column note varchar(1000) not null default '',
    add column partner_source_id uuid,
    add foreign key (business_id, partner_source_id) references source (business_id, id);
create index on outcome (business_id, code_key) where code_key <> '';
create index on outcome (business_id, answer_key) where answer_key <> '';
create index on outcome (business_id, email, occurred_at) where email <> '';
create index on outcome (business_id, phone, occurred_at) where phone <> '';
create index on outcome (business_id, partner_source_id) where partner_source_id is not null;
alter table outcome drop constraint outcome_reported_by_check;
alter table outcome add check (reported_by in ('site-tag', 'image', 'server', 'person', 'form', 'file', 'postback'));
grant update (name, email, phone, code, code_key, answer, answer_key, items, note, partner_source_id)
    on outcome to ${appRole};

-- Codes that are given and answers that customers give, and the source that each stands for.
create table source_clue (
    business_id uuid not null references business,
    kind varchar(6) not null check (kind in ('code', 'answer')),
    key varchar(100) not null,
    shown varchar(200) not null,
    source_id uuid not null,
    added_at timestamptz not null,
    added_by varchar(120) not null,
    primary key (business_id, kind, key),
    foreign key (business_id, source_id) references source (business_id, id)
);
create index on source_clue (business_id, source_id);

-- What came with an outcome and may join it to a source. Of those that point to one, the strongest decides.
create table outcome_clue (
    business_id uuid not null,
    outcome_id uuid not null,
    evidence varchar(10) not null,
    said varchar(300) not null,
    source_id uuid,
    decides boolean not null,
    primary key (outcome_id, evidence),
    foreign key (business_id, outcome_id) references outcome (business_id, id),
    foreign key (business_id, source_id) references source (business_id, id)
);
create index on outcome_clue (business_id, evidence) where source_id is null;

alter table source_clue enable row level security;
alter table outcome_clue enable row level security;
create policy source_clue_own on source_clue using (business_id = (select current_business()));
create policy outcome_clue_own on outcome_clue using (business_id = (select current_business()));
grant select, insert, update, delete on source_clue, outcome_clue to ${appRole};

-- Credit that a code or an answer earns has no visit.
alter table credit drop constraint credit_pkey;
alter table credit alter column click_id drop not null;
alter table credit add unique nulls not distinct (outcome_id, model, click_id);

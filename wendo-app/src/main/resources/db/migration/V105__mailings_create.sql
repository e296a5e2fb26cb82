-- One message to an audience: whom it goes to, at what pace, and how far it has got.
create table mailing (
    id uuid primary key,
    version integer not null,
    business_id uuid not null references business,
    audience_id uuid not null,
    link_id uuid not null,
    list_id uuid,
    name varchar(120) not null,
    road varchar(6) not null check (road in ('email', 'text')),
    subject varchar(200) not null,
    body varchar(2000) not null,
    held_out_percent integer not null check (held_out_percent between 0 and 50),
    per_minute integer not null check (per_minute between 1 and 6000),
    spares_weekly boolean not null,
    spared bigint not null default 0,
    state varchar(9) not null check (state in ('draft', 'preparing', 'sending', 'paused', 'sent', 'stopped')),
    started_at timestamptz,
    handed_at timestamptz,
    ended_at timestamptz,
    made_at timestamptz not null,
    made_by varchar(120) not null,
    unique (business_id, id),
    foreign key (business_id, audience_id) references audience (business_id, id),
    foreign key (business_id, link_id) references link (business_id, id),
    foreign key (business_id, list_id) references recipient_list (business_id, id)
);
create index on mailing (business_id, audience_id);
create index on mailing (business_id) where state = 'sending';

-- One person of a mailing; where they are reached stands with the recipient. It is given away once: the key is its own.
create table mailing_message (
    recipient_id uuid primary key,
    business_id uuid not null,
    mailing_id uuid not null,
    person_id bigint,
    state varchar(8) not null check (state in ('waiting', 'held-out', 'handed', 'stopped')),
    handed_at timestamptz,
    outgoing_id uuid unique,
    foreign key (business_id, mailing_id) references mailing (business_id, id),
    foreign key (business_id, person_id) references audience_person (business_id, id) on delete set null (person_id)
);
create index on mailing_message (mailing_id, state);
create index on mailing_message (person_id, handed_at) where handed_at is not null;

alter table mailing enable row level security;
alter table mailing_message enable row level security;
create policy mailing_own on mailing using (business_id = (select current_business()));
create policy mailing_message_own on mailing_message using (business_id = (select current_business()));
grant select, insert, update on mailing, mailing_message to ${appRole};

alter table outgoing drop constraint outgoing_purpose_check;
alter table outgoing add check (purpose in ('plan', 'alert', 'share', 'mailing'));

-- Whose mailings are under way, before any business is set.
create function door_mailings() returns setof uuid
    language sql stable security definer set search_path = public
    as $$ select distinct business_id from mailing where state = 'sending' $$;

-- A message to somebody: kept before it goes out, and claimed before it is sent, so that it goes out at most once.
-- state: waiting, sending, sent, delivered, failed, stopped, or unsure, when nobody can say whether it went out.
create table outgoing (
    id uuid primary key,
    business_id uuid not null references business,
    lead_id uuid,
    purpose varchar(8) not null check (purpose in ('plan', 'alert', 'share')),
    place integer not null,
    road varchar(6) not null check (road in ('email', 'text', 'voice')),
    recipient varchar(254) not null,
    subject varchar(200) not null,
    body varchar(4000) not null,
    clip_id uuid,
    due_at timestamptz not null,
    state varchar(10) not null,
    tries integer not null,
    claimed_at timestamptz,
    sent_at timestamptz,
    said varchar(300) not null,
    unique (business_id, id),
    unique (lead_id, purpose, place),
    foreign key (business_id, lead_id) references outcome (business_id, id)
);
create index on outgoing (due_at) where state = 'waiting';
create index on outgoing (claimed_at) where state = 'sending';
create index on outgoing (business_id, lead_id, due_at);

-- What came back: an answer, or a word that no more is wanted.
create table answer_received (
    id uuid primary key,
    business_id uuid not null references business,
    outgoing_id uuid not null,
    lead_id uuid,
    text varchar(2000) not null,
    received_at timestamptz not null,
    foreign key (business_id, outgoing_id) references outgoing (business_id, id)
);
create index on answer_received (business_id, lead_id, received_at);

-- Who wants no more messages.
create table opted_out (
    business_id uuid not null references business,
    contact varchar(254) not null,
    since timestamptz not null,
    primary key (business_id, contact)
);

-- A picture or a short clip that goes along with a message.
create table clip (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(120) not null,
    type varchar(40) not null,
    content bytea not null,
    added_at timestamptz not null,
    added_by varchar(120) not null,
    unique (business_id, id)
);
alter table outgoing add foreign key (business_id, clip_id) references clip (business_id, id);

alter table outgoing enable row level security;
alter table answer_received enable row level security;
alter table opted_out enable row level security;
alter table clip enable row level security;
create policy outgoing_own on outgoing using (business_id = (select current_business()));
create policy answer_received_own on answer_received using (business_id = (select current_business()));
create policy opted_out_own on opted_out using (business_id = (select current_business()));
create policy clip_own on clip using (business_id = (select current_business()));
grant select, insert, update on outgoing, opted_out, clip to ${appRole};
grant select, insert on answer_received to ${appRole};

-- Whose messages are due, before any business is set; and whose message or clip one is.
create function door_messages_due(due timestamptz, lost timestamptz) returns setof uuid
    language sql stable security definer set search_path = public
    as $$
        select business_id from outgoing where state = 'waiting' and due_at <= due
        union select business_id from outgoing where state = 'sending' and claimed_at < lost
    $$;
create function door_outgoing(wanted uuid) returns uuid
    language sql stable security definer set search_path = public
    as $$ select business_id from outgoing where id = wanted $$;
create function door_clip(wanted uuid) returns uuid
    language sql stable security definer set search_path = public
    as $$ select business_id from clip where id = wanted $$;

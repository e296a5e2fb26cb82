-- Partner networks: where their links lead, the sub-ID they keep, and the address that they report to.
create table partner_network (
    business_id uuid not null references business,
    id uuid not null,
    name varchar(80) not null,
    source_id uuid not null,
    pattern varchar(300) not null,
    parameter varchar(40) not null,
    alphabet varchar(8) not null check (alphabet in ('digits', 'hex', 'letters')),
    max_length integer not null check (max_length between 3 and 200),
    kind varchar(10) not null check (kind in ('lead', 'booking', 'purchase')),
    token varchar(40) not null unique,
    placeholders varchar(60)[] not null,
    next_alias bigint not null default 1,
    archived boolean not null default false,
    changed_at timestamptz not null,
    changed_by varchar(120) not null,
    primary key (business_id, id),
    unique (business_id, name),
    foreign key (business_id, source_id) references source (business_id, id)
);

-- What went out instead of a click identifier that does not fit.
create table visit_alias (
    business_id uuid not null,
    network_id uuid not null,
    alias varchar(200) not null,
    click_id uuid not null,
    primary key (business_id, network_id, alias),
    foreign key (business_id, network_id) references partner_network (business_id, id)
);

-- What networks reported within the last month, and what became of it.
create table postback (
    business_id uuid not null,
    network_id uuid not null,
    at timestamptz not null,
    told varchar(1500) not null,
    result varchar(600) not null,
    is_taken boolean not null,
    foreign key (business_id, network_id) references partner_network (business_id, id)
);
create index on postback (business_id, network_id, at desc);
create index on postback (at);

-- Outcomes whose sub-ID no visit is known for yet: the visit may be on its road.
create table postback_waiting (
    business_id uuid not null,
    outcome_id uuid not null,
    network_id uuid not null,
    alias varchar(200) not null,
    primary key (business_id, outcome_id),
    foreign key (business_id, outcome_id) references outcome (business_id, id) on delete cascade,
    foreign key (business_id, network_id) references partner_network (business_id, id)
);
create index on postback_waiting (business_id, network_id, alias);

alter table partner_network enable row level security;
alter table visit_alias enable row level security;
alter table postback enable row level security;
alter table postback_waiting enable row level security;
create policy partner_network_own on partner_network using (business_id = (select current_business()));
create policy visit_alias_own on visit_alias using (business_id = (select current_business()));
create policy postback_own on postback using (business_id = (select current_business()));
create policy postback_waiting_own on postback_waiting using (business_id = (select current_business()));
grant select, insert, update on partner_network to ${appRole};
grant select, insert, delete on visit_alias to ${appRole};
grant select, insert on postback to ${appRole};
grant select, insert, delete on postback_waiting to ${appRole};

-- What the link host knows of networks, and whose network a postback is for.
create function door_networks_changed() returns text
    language sql stable security definer set search_path = public
    as $$ select count(*) || ' ' || coalesce(max(changed_at)::text, '') from partner_network $$;
create function door_networks()
    returns table (business_id uuid, id uuid, pattern varchar, parameter varchar, alphabet varchar, max_length integer)
    language sql stable security definer set search_path = public
    as $$ select n.business_id, n.id, n.pattern, n.parameter, n.alphabet, n.max_length from partner_network n where not archived $$;
create function door_postback(wanted varchar) returns table (business_id uuid, id uuid)
    language sql stable security definer set search_path = public
    as $$ select n.business_id, n.id from partner_network n where n.token = wanted and not n.archived $$;
create function forget_postbacks(before timestamptz) returns void
    language sql security definer set search_path = public
    as $$ delete from postback where at < before $$;

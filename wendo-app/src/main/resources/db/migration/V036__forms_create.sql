-- A form that Wendo hosts for a business. asks says of each field whether it is off, asked for, or needed.
create table entry_form (
    id uuid primary key,
    business_id uuid not null references business,
    name varchar(80) not null,
    purpose varchar(10) not null check (purpose in ('enquiry', 'booking', 'sign-up')),
    title varchar(120) not null,
    intro varchar(600) not null,
    button varchar(40) not null,
    thanks varchar(600) not null,
    accent varchar(10) not null,
    promise varchar(300) not null,
    answers varchar(600) not null,
    asks varchar(200) not null,
    archived boolean not null,
    created_at timestamptz not null,
    created_by varchar(120) not null,
    unique (business_id, name),
    unique (business_id, id)
);

-- When a link shows which form: first, after a number of looks, on a page of its own, or never.
create table link_form (
    link_id uuid primary key,
    business_id uuid not null references business,
    form_id uuid not null,
    shows varchar(6) not null check (shows in ('first', 'after', 'own', 'never')),
    looks integer not null check (looks between 1 and 20),
    strictness varchar(6) not null check (strictness in ('light', 'usual', 'strict')),
    foreign key (business_id, link_id) references link (business_id, id),
    foreign key (business_id, form_id) references entry_form (business_id, id)
);
create index on link_form (business_id, form_id);

alter table entry_form enable row level security;
alter table link_form enable row level security;
create policy entry_form_own on entry_form using (business_id = (select current_business()));
create policy link_form_own on link_form using (business_id = (select current_business()));
grant select, insert, update on entry_form, link_form to ${appRole};
create trigger link_form_changed after insert or update on link_form
    for each row execute function tell_link_branch_changed();

alter table outcome add column form_id uuid, add foreign key (business_id, form_id) references entry_form (business_id, id);
create index on outcome (business_id, form_id) where form_id is not null;
grant update (form_id) on outcome to ${appRole};

-- The business whose form this is, asked by anybody.
create function door_form(wanted uuid) returns uuid
    language sql stable security definer set search_path = public
    as $$ select business_id from entry_form where id = wanted and not archived $$;

drop function door_links(uuid[]);
create function door_links(only_links uuid[])
    returns table (host varchar, slug varchar, link_id uuid, source_id uuid, business_id uuid, destination_id uuid,
        tagged_address varchar, opens_at timestamptz, closes_at timestamptz, outside_address varchar, zone varchar,
        branches json, subscribes boolean, asks boolean)
    language sql stable security definer set search_path = public
    as $$
        select h.name, l.slug, l.id, l.source_id, l.business_id, l.destination_id, l.tagged_address,
            l.first_day::timestamp at time zone b.zone, (l.last_day + 1)::timestamp at time zone b.zone,
            l.outside_address, b.zone,
            (select json_agg(br order by br.place) from link_branch br where br.link_id = l.id),
            exists (select from opt_in o where o.link_id = l.id and o.is_open),
            exists (select from link_form f where f.link_id = l.id and f.shows <> 'never')
        from link l join link_host h on h.id = l.host_id join business b on b.id = l.business_id
        where only_links is null or l.id = any(only_links)
    $$;

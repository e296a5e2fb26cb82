-- An ad desk's measuring code that visitors of links meet, and the consent that it needs.
create table visitor_tag (
    id uuid primary key,
    version integer not null,
    business_id uuid not null references business,
    name varchar(80) not null,
    kind varchar(10) not null check (kind in ('image', 'script', 'server')),
    address varchar(2000) not null,
    identifier varchar(200) not null,
    key varchar(200) not null,
    purpose varchar(12) not null check (purpose in ('none', 'measurement', 'advertising')),
    is_on boolean not null,
    made_at timestamptz not null,
    made_by varchar(120) not null,
    removed_at timestamptz,
    unique (business_id, id)
);
create unique index on visitor_tag (business_id, lower(name)) where removed_at is null;

-- Where it is used: on all links, a brand's, a campaign's, or one; what is nearer to the link decides.
create table visitor_tag_use (
    id uuid primary key,
    version integer not null,
    business_id uuid not null,
    tag_id uuid not null,
    scope varchar(10) not null check (scope in ('all', 'brand', 'campaign', 'link')),
    about uuid not null,
    is_on boolean not null,
    unique (tag_id, scope, about),
    foreign key (business_id, tag_id) references visitor_tag (business_id, id)
);

-- All of it as link hosts keep it in memory, and who asks where no brand says so.
create table tagging (
    id uuid primary key,
    version integer not null,
    business_id uuid not null unique references business,
    asks boolean not null,
    key varchar(64) not null,
    setting text not null,
    changed_at timestamptz not null
);
create index on tagging (changed_at);
create function door_taggings(since timestamptz)
    returns table (business_id uuid, key varchar, setting text, changed_at timestamptz)
    language sql stable security definer set search_path = public, pg_temp
    as $$ select business_id, key, setting, changed_at from tagging where changed_at >= since $$;
revoke all on function door_taggings(timestamptz) from public;
grant execute on function door_taggings(timestamptz) to ${appRole};

-- What a visitor answered when a brand asked: who, which words, when, where.
create table visitor_consent (
    id uuid primary key,
    version integer not null,
    business_id uuid not null references business,
    brand_id uuid not null,
    visitor uuid not null,
    click_id uuid not null,
    link_id uuid not null,
    purposes varchar(40) not null,
    answer varchar(10) not null check (answer in ('yes', 'no', 'none')),
    words varchar(1200) not null,
    language varchar(8) not null,
    page varchar(500) not null,
    answered_at timestamptz not null,
    unique (business_id, id),
    unique (business_id, click_id, answer)
);
create index on visitor_consent (business_id, answered_at desc);
create index on visitor_consent (visitor);

-- How often a tag was used, or why not, day by day.
create table visitor_tag_count (
    business_id uuid not null,
    tag_id uuid not null,
    day date not null,
    result varchar(12) not null,
    number bigint not null,
    primary key (tag_id, day, result),
    foreign key (business_id, tag_id) references visitor_tag (business_id, id)
);

-- Server calls that wait, each once for a visit and a tag.
create table visitor_tag_call (
    business_id uuid not null,
    tag_id uuid not null,
    click_id uuid not null,
    tries integer not null,
    next_at timestamptz not null,
    primary key (tag_id, click_id),
    foreign key (business_id, tag_id) references visitor_tag (business_id, id)
);
create index on visitor_tag_call (next_at);
create function door_tag_calls_due(now timestamptz) returns setof uuid
    language sql stable security definer set search_path = public, pg_temp
    as $$ select distinct business_id from visitor_tag_call where next_at <= now $$;
revoke all on function door_tag_calls_due(timestamptz) from public;
grant execute on function door_tag_calls_due(timestamptz) to ${appRole};

alter table visitor_tag enable row level security;
alter table visitor_tag_use enable row level security;
alter table tagging enable row level security;
alter table visitor_consent enable row level security;
alter table visitor_tag_count enable row level security;
alter table visitor_tag_call enable row level security;
create policy visitor_tag_own on visitor_tag using (business_id = (select current_business()));
create policy visitor_tag_use_own on visitor_tag_use using (business_id = (select current_business()));
create policy tagging_own on tagging using (business_id = (select current_business()));
create policy visitor_consent_own on visitor_consent using (business_id = (select current_business()));
create policy visitor_tag_call_own on visitor_tag_call using (business_id = (select current_business()));
create policy visitor_tag_count_own on visitor_tag_count using (business_id = (select current_business()));
grant select, insert, update on visitor_tag, tagging, visitor_tag_count to ${appRole};
grant select, insert, update, delete on visitor_tag_use, visitor_tag_call to ${appRole};
grant select, insert, delete on visitor_consent to ${appRole};

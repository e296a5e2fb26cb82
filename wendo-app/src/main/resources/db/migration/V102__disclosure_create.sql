-- Where and in which words a business says beside links that they earn.
create table disclosure (
    id uuid primary key,
    business_id uuid not null unique references business,
    version integer not null default 0,
    place varchar(5) not null check (place in ('off', 'first', 'each')),
    languages text[] not null,
    texts text[] not null
);

-- The business's own pages with links that earn, as they were last looked at.
create table disclosure_page (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    address text not null,
    earning integer not null check (earning > 0),
    unmarked integer not null check (unmarked between 0 and earning),
    said varchar(6) not null check (said in ('page', 'tag', 'nobody')),
    checked_at timestamptz not null,
    unique (business_id, address)
);

create table disclosure_run (
    id uuid primary key,
    business_id uuid not null unique references business,
    version integer not null default 0,
    asked boolean not null,
    pages integer not null,
    unreadable integer not null,
    ended_at timestamptz
);

do $$
declare
    name text;
begin
    foreach name in array array['disclosure', 'disclosure_page', 'disclosure_run'] loop
        execute format('alter table %I enable row level security', name);
        execute format('create policy %I on %I using (business_id = (select current_business()))', name || '_own', name);
    end loop;
end $$;
grant select, insert, update on disclosure, disclosure_run to ${appRole};
grant select, insert, delete on disclosure_page to ${appRole};

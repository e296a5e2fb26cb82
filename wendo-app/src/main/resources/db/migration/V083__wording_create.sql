-- What a business says in its own words on pages for everybody: keys of texts and the words for them, in the same order.
create table own_wording (
    id uuid primary key,
    business_id uuid not null unique references business,
    version integer not null default 0,
    texts text[] not null,
    words text[] not null check (cardinality(words) = cardinality(texts))
);
alter table own_wording enable row level security;
create policy own_wording_own on own_wording using (business_id = (select current_business()));
grant select, insert, update on own_wording to ${appRole};

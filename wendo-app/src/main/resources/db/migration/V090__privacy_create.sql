-- A person's data is found, handed over and erased. Counts, credit and money stay.
grant update (name, email, phone, answer, answer_key, note) on outcome to ${appRole};
grant update (before, after) on outcome_change to ${appRole};
grant delete on outcome_review to ${appRole};
grant update (said) on lead_event to ${appRole};
grant update (text) on answer_received to ${appRole};
grant delete on opted_out to ${appRole};
grant update (email) on subscriber to ${appRole};
grant delete on tag_call to ${appRole};

-- That it was done, without whom it was about.
create table erasure (
    id uuid primary key,
    business_id uuid not null references business,
    at timestamptz not null,
    by varchar(120) not null,
    records integer not null,
    reason varchar(300) not null
);
create index on erasure (business_id, at desc);
alter table erasure enable row level security;
create policy erasure_own on erasure using (business_id = (select current_business()));
grant select, insert on erasure to ${appRole};

-- Limits that guard secrets hold over all processes. What a bucket holds is bucket4j's own; ids are digests.
create table limit_bucket (
    id varchar(80) primary key,
    state bytea,
    expires_at bigint
);
grant select, insert, update, delete on limit_bucket to ${appRole};

-- Browsers that somebody has signed in with: whoever guesses from elsewhere keeps them out of nothing.
create table known_device (
    person_id uuid not null references person,
    token_hash varchar(64) not null,
    last_used_at timestamptz not null,
    primary key (person_id, token_hash)
);
grant select, insert, update, delete on known_device to ${appRole};

-- The event publication registry of Spring Modulith (its PostgreSQL schema). Events carry identifiers only.
create table event_publication (
    id uuid not null primary key,
    listener_id text not null,
    event_type text not null,
    serialized_event text not null,
    publication_date timestamptz not null,
    completion_date timestamptz,
    status text,
    completion_attempts int,
    last_resubmission_date timestamptz
);
create index on event_publication using hash (serialized_event);
create index on event_publication (completion_date);
grant select, insert, update, delete on event_publication to ${appRole};

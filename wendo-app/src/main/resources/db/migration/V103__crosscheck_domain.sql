-- A domain that is leased out or forwarded is counted as a whole: the visits of all its links.
alter table cross_check alter column source_id drop not null,
    add column host_id uuid,
    add foreign key (business_id, host_id) references link_host (business_id, id),
    add check ((source_id is null) <> (host_id is null)),
    add check (host_id is null or counted = 'visit');

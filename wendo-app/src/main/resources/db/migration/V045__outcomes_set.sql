-- Where somebody of the business says an outcome came from.
alter table outcome
    add column set_source_id uuid,
    add column set_by varchar(120) not null default '',
    add foreign key (business_id, set_source_id) references source (business_id, id);
create index on outcome (business_id, set_source_id) where set_source_id is not null;
grant update (set_source_id, set_by) on outcome to ${appRole};

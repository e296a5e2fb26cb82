-- The table that db-scheduler keeps its jobs in; its columns are that library's.
create table scheduled_tasks (
    task_name text not null,
    task_instance text not null,
    task_data bytea,
    execution_time timestamptz not null,
    picked boolean not null,
    picked_by text,
    last_success timestamptz,
    last_failure timestamptz,
    consecutive_failures integer,
    last_heartbeat timestamptz,
    version bigint not null,
    priority smallint,
    state text,
    primary key (task_name, task_instance)
);
create index on scheduled_tasks (execution_time);
create index on scheduled_tasks (last_heartbeat);
grant select, insert, update, delete on scheduled_tasks to ${appRole};

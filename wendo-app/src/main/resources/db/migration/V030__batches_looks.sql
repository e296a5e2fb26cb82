-- Pages of a file that failed when they were looked at, with what was wrong, before anything is issued; and how many
-- pages were not looked at.
alter table batch
    add column failing_pages text[] not null default '{}',
    add column unseen_pages integer not null default 0;

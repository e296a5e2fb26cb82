-- A random part of a list gets nothing, so that it can be seen what would have come anyway.
alter table recipient add column held_out boolean not null default false;

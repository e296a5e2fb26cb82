-- What somebody reads pages in; empty for what their browser asks for.
alter table person add column language text not null default '' check (length(language) <= 20);

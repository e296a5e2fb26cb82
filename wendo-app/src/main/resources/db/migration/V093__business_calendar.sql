-- When a business's weeks and its financial year begin. Without a day of its own, weeks begin as its language has it.
alter table business
    add column first_weekday integer check (first_weekday between 1 and 7),
    add column first_month integer not null default 1 check (first_month between 1 and 12);

-- The time zone whose days the sums are counted by, while they are not made anew yet for another one.
alter table visit_rebuild add column counted_in varchar(60);

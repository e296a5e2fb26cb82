alter table campaign
    add column budget_minor bigint check (budget_minor > 0),
    add column note varchar(1000) not null default '',
    add column archived_at timestamptz,
    add check (starts_on <= ends_on);
alter table campaign alter column note drop default;

-- The business's mark for the middle of its codes.
create table code_mark (
    business_id uuid primary key references business,
    png bytea not null,
    updated_at timestamptz not null
);
alter table code_mark enable row level security;
create policy code_mark_own on code_mark using (business_id = current_business());
grant select, insert, update, delete on code_mark to ${appRole};

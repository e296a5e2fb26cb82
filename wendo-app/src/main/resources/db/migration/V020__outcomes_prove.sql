alter table outcome add column is_proof boolean not null default false;
alter table outcome alter column is_proof drop default;
grant update (is_proof) on outcome to ${appRole};

-- A viewer sees figures and changes nothing.
alter table membership drop constraint membership_role_check,
    add check (role in ('owner', 'manager', 'staff', 'viewer'));

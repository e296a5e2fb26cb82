-- Each policy asks once for a statement which business is set, rather than once for each row.
do $$
declare
    own record;
begin
    for own in
        select tablename, policyname, case when tablename = 'business' then 'id' else 'business_id' end as owner_column
        from pg_policies where schemaname = 'public' and qual like '%current_business()%'
    loop
        execute format('alter policy %I on %I using (%I = (select current_business()))',
            own.policyname, own.tablename, own.owner_column);
    end loop;
end $$;

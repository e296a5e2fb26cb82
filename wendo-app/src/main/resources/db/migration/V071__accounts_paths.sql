-- Functions that run as their owner look for nothing in what a caller can make: temporary tables come last.
do $$
declare
    own record;
begin
    for own in
        select p.oid::regprocedure as signature from pg_proc p
        where p.pronamespace = 'public'::regnamespace and p.prosecdef
    loop
        execute format('alter function %s set search_path = public, pg_temp', own.signature);
    end loop;
end $$;

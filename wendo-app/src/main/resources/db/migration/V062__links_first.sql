-- The first links of all come by the thousand in one transaction, where the planner would take each check of a link for a
-- look at a table of a few rows and read all of the business's.
create function analyze_first_links() returns void
    language plpgsql security definer set search_path = public
    as $$
    begin
        if (select reltuples < 1000 from pg_class where oid = 'link'::regclass) then
            execute 'analyze link';
        end if;
    end $$;

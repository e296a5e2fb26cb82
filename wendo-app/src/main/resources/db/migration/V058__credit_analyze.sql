-- What credit is joined from grows fast where much comes at once; the database is told to look at it before it plans.
-- Looking at an empty table would make its plans worse, so visits can be looked at before there are outcomes.
create function analyze_visits() returns void
    language plpgsql security definer set search_path = public
    as $$
    begin
        execute 'analyze visit';
    end $$;
create function analyze_credit_tables() returns void
    language plpgsql security definer set search_path = public
    as $$
    begin
        execute 'analyze visit, site_arrival, landing, outcome, outcome_clue, trail, identity';
    end $$;

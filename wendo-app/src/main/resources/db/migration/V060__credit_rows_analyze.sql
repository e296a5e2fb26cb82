-- Credit that was made anew for a whole business is looked at before single outcomes are credited by plans for few rows.
create function analyze_credit_rows() returns void
    language plpgsql security definer set search_path = public
    as $$
    begin
        execute 'analyze credit_row';
    end $$;

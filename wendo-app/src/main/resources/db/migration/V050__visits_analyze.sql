-- Sums that were made anew are planned for as they are from then on, and not only once the database has looked by itself.
create function analyze_visit_sums() returns void
    language plpgsql security definer set search_path = public
    as $$
    begin
        execute 'analyze visit_sum, visit_person_sum, visit_trait_sum';
    end $$;

-- What visits of all links have in common that a comparison groups by; the values are short.
create index on visit_trait_sum (business_id, trait, day) include (value, visits) where trait in ('country', 'device');

-- Sums of arrivals that were made anew are looked at, as those of visits are, before a page is planned by what they were.
create function analyze_arrival_sums() returns void
    language plpgsql security definer set search_path = public
    as $$
    begin
        execute 'analyze arrival_sum, arrival_person_sum';
    end $$;

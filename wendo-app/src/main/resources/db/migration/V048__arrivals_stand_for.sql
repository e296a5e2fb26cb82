-- The source that an arrival stands for: what its tags name; else that of the website it came from; else its origin's.
create view arrival_source with (security_invoker = true) as
    select a.*, coalesce(
        case when a.origin <> 'tagged' then (
            select c.source_id from source_clue c where c.kind = 'referrer' and c.key = a.referrer_host) end,
        a.source_id) as stands_for
    from site_arrival a;
grant select on arrival_source to ${appRole};

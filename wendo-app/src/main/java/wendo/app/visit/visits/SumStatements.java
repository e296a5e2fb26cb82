package wendo.app.visit.visits;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** The SQL of the daily sums. {@code :zone} is the business's time zone. */
final class SumStatements {
    /**
     * Visits that have just been stored, with the moment their link is counted from. Each is looked up by its key
     * (offset 0 sees to it), whatever the planner believes of tables that grow so fast.
     */
    static final String THESE = """
            (select v.*, l.counted_from
            from unnest(cast(string_to_array(:clicks, ',') as uuid[])) as k(click)
            cross join lateral (
                select * from visit where click_id = k.click and arrived_at = click_time(k.click) offset 0) v
            cross join lateral (select counted_from from link where id = v.link_id offset 0) l) v
            """;

    private static final String ALL = """
            (select v.*, l.counted_from from visit v join link l on l.id = v.link_id %s) v
            """;

    static final String EVERY = ALL.formatted("");
    static final String OF_LINK = ALL.formatted("where v.link_id = :id");
    static final String OF_SOURCE = ALL.formatted("where v.source_id = :id");

    private static final String ARRIVED = """
            with arrived as materialized (
                select v.business_id, v.link_id, v.kind, v.destination_id, v.referrer, v.country, v.device, v.system,
                    v.browser, v.language, v.arrived_at at time zone :zone as local,
                    v.counted_from is null or v.arrived_at >= v.counted_from as counted
                from %s where v.kind <> 'proof')
            """;

    static final String BY_KIND = ARRIVED + """
            , of_months as (
                insert into visit_month_sum
                select business_id, link_id, date_trunc('month', local)::date, kind, counted, count(*) from arrived
                group by 1, 2, 3, 4, 5
                on conflict (business_id, link_id, month, kind, counted)
                do update set visits = visit_month_sum.visits + excluded.visits)
            insert into visit_sum
            select business_id, link_id, local::date, kind, counted, count(*) from arrived group by 1, 2, 3, 4, 5
            on conflict (business_id, link_id, day, kind, counted)
            do update set visits = visit_sum.visits + excluded.visits
            """;

    /** Makes the sums of a month and later ones anew from those of days, of a link or of all. */
    static final List<String> MONTHS_OF_DAYS = List.of("""
            delete from visit_month_sum where month >= :month and (cast(:link as uuid) is null or link_id = :link)
            """, """
            insert into visit_month_sum
            select business_id, link_id, date_trunc('month', day::timestamp)::date, kind, counted, sum(visits) from visit_sum
            where day >= :month and (cast(:link as uuid) is null or link_id = :link) group by 1, 2, 3, 4, 5
            """);

    /** What of a visit is summed, and where it is read. */
    private static final Map<String, String> TRAITS = Map.of(
            "hour", "to_char(a.local, 'HH24')",
            "page", "coalesce(d.address, '')",
            "referrer", "a.referrer",
            "country", "a.country",
            "device", "a.device",
            "system", "a.system",
            "browser", "a.browser",
            "language", "a.language");

    static final String BY_TRAIT = ARRIVED
            + """
            insert into visit_trait_sum
            select a.business_id, a.link_id, a.local::date, t.trait, t.value, a.counted, count(*)
            from arrived a
            left join destination d on d.id = a.destination_id
            cross join lateral (values %s) t(trait, value)
            where a.kind = 'person'
            group by 1, 2, 3, 4, 5, 6
            on conflict (business_id, link_id, day, trait, counted, md5(value))
            do update set visits = visit_trait_sum.visits + excluded.visits
            """.replace(
                            "%s",
                            TRAITS.entrySet().stream()
                                    .map(trait -> "('%s', %s)".formatted(trait.getKey(), trait.getValue()))
                                    .collect(Collectors.joining(", ")));

    /** Fills sums from all visits: one statement per trait needs an eighth of the memory of one for all. */
    static List<String> everyTrait() {
        return TRAITS.entrySet().stream()
                .map(trait -> """
                        insert into visit_trait_sum
                        select a.business_id, a.link_id, a.local::date, '%s', %s, a.counted, count(*)
                        from (
                            select v.*, v.arrived_at at time zone :zone as local,
                                l.counted_from is null or v.arrived_at >= l.counted_from as counted
                            from visit v join link l on l.id = v.link_id where v.kind = 'person') a
                        left join destination d on d.id = a.destination_id
                        group by 1, 2, 3, 5, 6
                        on conflict (business_id, link_id, day, trait, counted, md5(value))
                        do update set visits = visit_trait_sum.visits + excluded.visits
                        """.formatted(trait.getKey(), trait.getValue()))
                .toList();
    }

    /** All visits of the people who made these; these are the fresh ones. */
    static final String THEIRS = """
            with fresh as materialized (select v.visitor, v.click_id from %s where v.kind = 'person'),
            theirs as materialized (
                select v.business_id, v.visitor, v.source_id, v.link_id, v.arrived_at, l.counted_from,
                    v.click_id in (select click_id from fresh) as is_fresh
                from (select distinct visitor from fresh) who
                cross join lateral (
                    select * from visit where visitor = who.visitor and kind = 'person' offset 0) v
                cross join lateral (select counted_from from link where id = v.link_id offset 0) l),
            """.formatted(THESE);

    static final String ALL_ARE_FRESH = """
            with theirs as materialized (
                select v.business_id, v.visitor, v.source_id, v.link_id, v.arrived_at, v.counted_from,
                    true as is_fresh
                from %s where v.kind = 'person'),
            """;

    /**
     * A person who comes changes two rows at most: the day's own, and that of the next day they are known to have come,
     * whose day before it becomes. The difference of before and after is added, so a late visit is as exact.
     */
    static final String BY_PERSON = """
            days as materialized (
                select t.business_id, s.scope, s.scope_id, s.counted, t.visitor,
                    (t.arrived_at at time zone :zone)::date as day, bool_and(t.is_fresh) as is_new
                from theirs t
                cross join lateral (values ('business', t.business_id, true), ('source', t.source_id, true),
                    ('link', t.link_id, t.counted_from is null or t.arrived_at >= t.counted_from))
                    s(scope, scope_id, counted)
                where :scope = '' or s.scope = :scope
                group by 1, 2, 3, 4, 5, 6),
            chained as (
                select business_id, scope, scope_id, counted, day, 1 as people,
                    lag(day) over (partition by scope, scope_id, counted, visitor order by day) as day_before
                from days
                union all
                select business_id, scope, scope_id, counted, day, -1,
                    lag(day) over (partition by scope, scope_id, counted, visitor order by day)
                from days where not is_new)
            insert into visit_person_sum
            select business_id, scope, scope_id, counted, day, coalesce(day_before, '-infinity'), sum(people)
            from chained
            group by 1, 2, 3, 4, 5, 6 having sum(people) <> 0
            on conflict (business_id, scope, scope_id, counted, day, day_before)
            do update set people = visit_person_sum.people + excluded.people
            """;

    private SumStatements() {}
}

package wendo.app.visit.visits;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** The SQL of the daily sums. Each counts visits of any businesses, by the days of each business's own time zone. */
final class SumStatements {
    /** Visits with their business's time zone and the moment their link is counted from. */
    private static final String ALL = """
            (select v.*, l.counted_from, b.zone from %s v
            join link l on l.business_id = v.business_id and l.id = v.link_id join business b on b.id = v.business_id %s) v
            """;

    /** Those that this transaction has stored. */
    static final String THESE = ALL.formatted("stored_visit", "");

    static final String EVERY = ALL.formatted("visit", "");
    static final String OF_LINK = ALL.formatted("visit", "where v.link_id = :id");
    static final String OF_SOURCE = ALL.formatted("visit", "where v.source_id = :id");

    private static final String ARRIVED = """
            with arrived as materialized (
                select v.business_id, v.link_id, v.kind, v.destination_id, v.referrer, v.country, v.device, v.system,
                    v.browser, v.language, v.arrived_at at time zone v.zone as local,
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

    /** One pass counts all traits. */
    static final String BY_TRAIT = ARRIVED
            + """
            , told as (
                select a.business_id, a.link_id, a.local::date as day, a.counted, %s
                from arrived a left join destination d on d.business_id = a.business_id and d.id = a.destination_id
                where a.kind = 'person')
            insert into visit_trait_sum
            select business_id, link_id, day, case %s end, case %s end, counted, count(*)
            from told group by grouping sets (%s)
            on conflict (business_id, link_id, day, trait, counted, md5(value))
            do update set visits = visit_trait_sum.visits + excluded.visits
            """.formatted(
                            each("%2$s as of_%1$s", ", "),
                            each("when grouping(of_%1$s) = 0 then '%1$s'", " "),
                            each("when grouping(of_%1$s) = 0 then of_%1$s", " "),
                            each("(business_id, link_id, day, counted, of_%1$s)", ", "));

    private static String each(String one, String between) {
        return TRAITS.entrySet().stream()
                .map(trait -> one.formatted(trait.getKey(), trait.getValue()))
                .collect(Collectors.joining(between));
    }

    /** Fills sums from all visits: one statement per trait needs an eighth of the memory of one for all. */
    static List<String> everyTrait() {
        return TRAITS.entrySet().stream()
                .map(trait -> """
                        insert into visit_trait_sum
                        select a.business_id, a.link_id, a.local::date, '%s', %s, a.counted, count(*)
                        from (
                            select v.*, v.arrived_at at time zone v.zone as local,
                                v.counted_from is null or v.arrived_at >= v.counted_from as counted
                            from %s where v.kind = 'person') a
                        left join destination d on d.id = a.destination_id
                        group by 1, 2, 3, 5, 6
                        on conflict (business_id, link_id, day, trait, counted, md5(value))
                        do update set visits = visit_trait_sum.visits + excluded.visits
                        """.formatted(trait.getKey(), trait.getValue(), EVERY))
                .toList();
    }

    /**
     * All visits of the people who made these; these are the fresh ones. Nobody came before their identifier was made, so
     * that of somebody new no earlier month is looked through.
     */
    static final String THEIRS = """
            with fresh as materialized (
                select business_id, visitor, click_id, since from stored_visit where kind = 'person'),
            theirs as materialized (
                select v.business_id, v.visitor, v.source_id, v.link_id, v.arrived_at, l.counted_from, b.zone,
                    v.click_id in (select click_id from fresh) as is_fresh
                from (select business_id, visitor, min(since) as since from fresh group by 1, 2) who
                join business b on b.id = who.business_id
                cross join lateral (
                    select * from visit
                    where business_id = who.business_id and visitor = who.visitor and kind = 'person'
                        and arrived_at >= who.since offset 0) v
                cross join lateral (select counted_from from link where id = v.link_id offset 0) l),
            """;

    static final String ALL_ARE_FRESH = """
            with theirs as materialized (
                select v.business_id, v.visitor, v.source_id, v.link_id, v.arrived_at, v.counted_from, v.zone,
                    true as is_fresh
                from %s where v.kind = 'person'),
            """;

    /**
     * A person who comes changes two rows at most: the day's own, and that of the next day they are known to have come,
     * whose day before it becomes. The difference of before and after is added, so a late visit is as exact. Most came
     * once: they are counted together, without a look at each.
     */
    static final String BY_PERSON = """
            came as materialized (
                select business_id, visitor, source_id, link_id, (arrived_at at time zone zone)::date as day, is_fresh,
                    counted_from is null or arrived_at >= counted_from as counted,
                    count(*) over (partition by business_id, visitor) = 1 and is_fresh as is_once
                from theirs),
            once as (
                select business_id, source_id, link_id, day, counted, count(*) as people from came where is_once
                group by 1, 2, 3, 4, 5),
            days as materialized (
                select t.business_id, s.scope, s.scope_id, s.counted, t.visitor, t.day, bool_and(t.is_fresh) as is_new
                from came t
                cross join lateral (values ('business', t.business_id, true), ('source', t.source_id, true),
                    ('link', t.link_id, t.counted)) s(scope, scope_id, counted)
                where not t.is_once and (:scope = '' or s.scope = :scope)
                group by 1, 2, 3, 4, 5, 6),
            chained as (
                select t.business_id, s.scope, s.scope_id, s.counted, t.day, t.people, null::date as day_before
                from once t
                cross join lateral (values ('business', t.business_id, true), ('source', t.source_id, true),
                    ('link', t.link_id, t.counted)) s(scope, scope_id, counted)
                where :scope = '' or s.scope = :scope
                union all
                select business_id, scope, scope_id, counted, day, 1 as people,
                    lag(day) over (partition by business_id, visitor, scope_id, counted order by day) as day_before
                from days
                union all
                select business_id, scope, scope_id, counted, day, -1,
                    lag(day) over (partition by business_id, visitor, scope_id, counted order by day)
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

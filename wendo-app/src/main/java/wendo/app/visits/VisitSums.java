package wendo.app.visits;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.business.BusinessScope;
import wendo.app.business.Businesses;
import wendo.core.visits.ClickId;

/**
 * The daily sums of visits, in which figures are read: exact, kept up to date in the transaction that stores visits, and
 * the same when they are made anew. Runs in the transaction of its caller.
 */
@Component
class VisitSums {
    /**
     * Visits that have just been stored, with the moment their link is counted from. Each is looked up by its key
     * (offset 0 sees to it), whatever the planner believes of tables that grow so fast.
     */
    private static final String THESE = """
            (select v.*, l.counted_from
            from unnest(cast(string_to_array(:clicks, ',') as uuid[])) as k(click)
            cross join lateral (
                select * from visit where click_id = k.click and arrived_at = click_time(k.click) offset 0) v
            cross join lateral (select counted_from from link where id = v.link_id offset 0) l) v
            """;

    private static final String ALL = """
            (select v.*, l.counted_from from visit v join link l on l.id = v.link_id %s) v
            """;

    private static final String EVERY = ALL.formatted("");
    private static final String OF_LINK = ALL.formatted("where v.link_id = :id");
    private static final String OF_SOURCE = ALL.formatted("where v.source_id = :id");

    private static final String ARRIVED = """
            with arrived as materialized (
                select v.business_id, v.link_id, v.kind, v.destination_id, v.referrer, v.country, v.device, v.system,
                    v.browser, v.language, v.arrived_at at time zone :zone as local,
                    v.counted_from is null or v.arrived_at >= v.counted_from as counted
                from %s where v.kind <> 'proof')
            """;

    private static final String BY_KIND = ARRIVED + """
            insert into visit_sum
            select business_id, link_id, local::date, kind, counted, count(*) from arrived group by 1, 2, 3, 4, 5
            on conflict (business_id, link_id, day, kind, counted)
            do update set visits = visit_sum.visits + excluded.visits
            """;

    private static final String BY_TRAIT = ARRIVED + """
            insert into visit_trait_sum
            select a.business_id, a.link_id, a.local::date, t.trait, t.value, a.counted, count(*)
            from arrived a
            left join destination d on d.id = a.destination_id
            cross join lateral (values ('hour', to_char(a.local, 'HH24')), ('page', coalesce(d.address, '')),
                ('referrer', a.referrer), ('country', a.country), ('device', a.device), ('system', a.system),
                ('browser', a.browser), ('language', a.language)) t(trait, value)
            where a.kind = 'person'
            group by 1, 2, 3, 4, 5, 6
            on conflict (business_id, link_id, day, trait, counted, md5(value))
            do update set visits = visit_trait_sum.visits + excluded.visits
            """;

    /** All visits of the people among these, of which these are the fresh ones. */
    private static final String THEIRS = """
            with fresh as materialized (select v.visitor, v.click_id from %s where v.kind = 'person'),
            theirs as materialized (
                select v.business_id, v.visitor, v.source_id, v.link_id, v.arrived_at, l.counted_from,
                    v.click_id in (select click_id from fresh) as is_fresh
                from (select distinct visitor from fresh) who
                cross join lateral (
                    select * from visit where visitor = who.visitor and kind = 'person' offset 0) v
                cross join lateral (select counted_from from link where id = v.link_id offset 0) l),
            """.formatted(THESE);

    private static final String ALL_ARE_FRESH = """
            with theirs as materialized (
                select v.business_id, v.visitor, v.source_id, v.link_id, v.arrived_at, v.counted_from,
                    true as is_fresh
                from %s where v.kind = 'person'),
            """;

    /**
     * A person who comes changes two rows at most: the day's own, and that of the next day they are known to have come,
     * whose day before it becomes. The difference of before and after is added, so a late visit is as exact.
     */
    private static final String BY_PERSON = """
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

    private final JdbcClient jdbc;
    private final Businesses businesses;

    VisitSums(JdbcClient jdbc, Businesses businesses) {
        this.jdbc = jdbc;
        this.businesses = businesses;
    }

    /** Waits until no other transaction changes the sums of this business. */
    void lock() {
        jdbc.sql("select pg_advisory_xact_lock(hashtextextended('visits ' || ?, 0))")
                .param(BusinessScope.current().value().toString())
                .query(row -> {});
    }

    /** @param stored visits that this transaction has stored, and that nothing had stored before */
    void add(List<ClickId> stored) {
        if (stored.isEmpty()) {
            return;
        }
        String clicks = stored.stream().map(click -> click.uuid().toString()).collect(Collectors.joining(","));
        sum(BY_KIND.formatted(THESE)).param("clicks", clicks).update();
        sum(BY_TRAIT.formatted(THESE)).param("clicks", clicks).update();
        sum(THEIRS + BY_PERSON).param("clicks", clicks).param("scope", "").update();
    }

    private JdbcClient.StatementSpec sum(String sql) {
        return jdbc.sql(sql).param("zone", businesses.current().zone().getId());
    }

    /**
     * Makes the sums anew from the visits that are kept; those of days before the first of them stay. True if nothing
     * changed by it, as it should be.
     */
    boolean rebuild() {
        String before = checksum();
        LocalDate first = firstDay();
        for (String table : List.of("visit_sum", "visit_trait_sum", "visit_person_sum")) {
            jdbc.sql("delete from " + table + " where day >= ?").param(first).update();
        }
        sum(BY_KIND.formatted(EVERY)).update();
        sum(BY_TRAIT.formatted(EVERY)).update();
        sum(ALL_ARE_FRESH.formatted(EVERY) + BY_PERSON).param("scope", "").update();
        return checksum().equals(before);
    }

    /** The same for the same sums, whatever their order; rows that came down to nothing count as none. */
    private String checksum() {
        return jdbc.sql("""
                        select concat_ws(' ',
                            (select sum(hashtextextended(s::text, 0)) from visit_sum s),
                            (select sum(hashtextextended(s::text, 0)) from visit_trait_sum s),
                            (select sum(hashtextextended(s::text, 0)) from visit_person_sum s where people <> 0))
                        """).query(String.class).single();
    }

    /** Makes a link's own sums anew, after the moment has changed that they are counted from. */
    void rebuildLink(UUID link) {
        LocalDate first = firstDay();
        for (String table : List.of("visit_sum", "visit_trait_sum")) {
            jdbc.sql("delete from " + table + " where link_id = ? and day >= ?")
                    .params(link, first)
                    .update();
        }
        dropPeople("link", link, first);
        sum(BY_KIND.formatted(OF_LINK)).param("id", link).update();
        sum(BY_TRAIT.formatted(OF_LINK)).param("id", link).update();
        people("link", OF_LINK, link);
    }

    /** What is known of a source that another one was merged into; of days before the first visit, the sums are added. */
    void merge(UUID kept, UUID merged) {
        LocalDate first = firstDay();
        dropPeople("source", kept, first);
        dropPeople("source", merged, first);
        jdbc.sql("""
                        with gone as (
                            delete from visit_person_sum where scope = 'source' and scope_id = :merged returning *)
                        insert into visit_person_sum
                        select business_id, scope, cast(:kept as uuid), counted, day, day_before, people from gone
                        on conflict (business_id, scope, scope_id, counted, day, day_before)
                        do update set people = visit_person_sum.people + excluded.people
                        """).param("merged", merged).param("kept", kept).update();
        people("source", OF_SOURCE, kept);
    }

    private void people(String scope, String visits, UUID id) {
        sum(ALL_ARE_FRESH.formatted(visits) + BY_PERSON)
                .param("scope", scope)
                .param("id", id)
                .update();
    }

    private void dropPeople(String scope, UUID id, LocalDate first) {
        jdbc.sql("delete from visit_person_sum where scope = ? and scope_id = ? and day >= ?")
                .params(scope, id, first)
                .update();
    }

    /** The day of the first visit that is kept; tomorrow's sums and later ones can be of none. */
    private LocalDate firstDay() {
        return jdbc.sql("select coalesce((min(arrived_at) at time zone ?)::date, date '9999-12-31') from visit")
                .param(businesses.current().zone().getId())
                .query(LocalDate.class)
                .single();
    }
}

package wendo.app.visit.arrivals;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.visit.visits.PeopleBefore;

/**
 * The daily sums of arrivals, in which figures are read: by the sources they stand for, by the pages that led here and by
 * what kind of page it was. Exact, kept up to date in the transaction that keeps an arrival, and the same when they are
 * made anew. Runs in the transaction of its caller.
 */
@Component
public class ArrivalSums {
    private static final String PAGE = "arrival_page_id(origin, source_id, referrer)";
    private static final String DAY = "(arrived_at at time zone :zone)::date";

    /** Of anybody, robots too. */
    private static final String ADD_PAGES = """
            with fresh as materialized (
                select %s as page, %s as day, kind = 'person' as is_person, origin, source_id, referrer_host, referrer,
                    count(*) as arrivals, max(arrived_at) as latest
                from site_arrival where @which group by 1, 2, 3, 4, 5, 6, 7),
            named as (
                insert into arrival_page
                select distinct current_business(), page, origin, source_id, referrer_host, referrer from fresh
                on conflict do nothing)
            insert into arrival_page_sum
            select current_business(), page, day, is_person, arrivals, latest from fresh
            on conflict (business_id, page_id, day, is_person)
            do update set arrivals = arrival_page_sum.arrivals + excluded.arrivals,
                latest = greatest(arrival_page_sum.latest, excluded.latest)
            """.formatted(PAGE, DAY);

    /** A person who comes changes two rows of each sum at most; the difference of before and after is added. */
    private static final String ADD_PEOPLE = """
            with theirs as materialized (
                select visitor, origin, stands_for, %s as page, %s as day, @fresh as is_fresh,
                    origin <> 'direct' and stands_for is not null as is_of_source
                from arrival_source where kind = 'person' and @which),
            arrived as (
                insert into arrival_sum
                select current_business(), stands_for, day, count(*) from theirs where is_fresh and is_of_source
                group by 1, 2, 3
                on conflict (business_id, source_id, day)
                do update set arrivals = arrival_sum.arrivals + excluded.arrivals),
            days as materialized (
                select s.scope, s.scope_id, t.visitor, t.day, bool_and(t.is_fresh) as is_new
                from theirs t
                cross join lateral (values
                    ('business', current_business(), is_of_source), ('source', t.stands_for, is_of_source),
                    ('anyone', current_business(), true), ('origin', md5(t.origin)::uuid, true),
                    ('page', t.page, t.origin <> 'direct')) s (scope, scope_id, is_counted)
                where s.is_counted group by 1, 2, 3, 4),
            chained as (
                select scope, scope_id, day, 1 as people,
                    lag(day) over (partition by scope, scope_id, visitor order by day) as day_before
                from days
                union all
                select scope, scope_id, day, -1, lag(day) over (partition by scope, scope_id, visitor order by day)
                from days where not is_new)
            insert into arrival_person_sum
            select current_business(), scope, scope_id, day, coalesce(day_before, '-infinity'), sum(people)
            from chained group by 1, 2, 3, 4, 5 having sum(people) <> 0
            on conflict (business_id, scope, scope_id, day, day_before)
            do update set people = arrival_person_sum.people + excluded.people
            """.formatted(PAGE, DAY);

    /** All of the visitor's, of which one is fresh. */
    private static final String VISITORS = """
            visitor = (select visitor from site_arrival where id = :id)
            and exists (select from site_arrival where id = :id and kind = 'person')""";

    private static final PeopleBefore PEOPLE = new PeopleBefore("arrival_person_sum", "scope", "scope_id", "day");

    private final JdbcClient jdbc;
    private final Businesses businesses;

    ArrivalSums(JdbcClient jdbc, Businesses businesses) {
        this.jdbc = jdbc;
        this.businesses = businesses;
    }

    /** An arrival that has just been kept. */
    void add(UUID arrival) {
        lock();
        sum(ADD_PAGES.replace("@which", "id = :id")).param("id", arrival).update();
        sum(ADD_PEOPLE.replace("@fresh", "id = :id").replace("@which", VISITORS))
                .param("id", arrival)
                .update();
    }

    public void rebuild() {
        rebuild(businesses.current().zone());
    }

    /**
     * Makes the sums anew from the arrivals that are kept; those of days before the first of them stay.
     *
     * @param countedIn the time zone by whose days they were counted until now
     */
    void rebuild(ZoneId countedIn) {
        lock();
        LocalDate first = jdbc.sql(
                        "select coalesce((min(arrived_at) at time zone ?)::date, date '9999-12-31') from site_arrival")
                .param(countedIn.getId())
                .query(LocalDate.class)
                .single();
        boolean areArrivalsForgotten = jdbc.sql("select exists (select from arrival_page_sum where day < ?)")
                .param(first)
                .query(Boolean.class)
                .single();
        for (String table : List.of("arrival_sum", "arrival_page_sum")) {
            jdbc.sql("delete from " + table + " where day >= ?").param(first).update();
        }
        jdbc.sql(PEOPLE.drop()).param("first", first).update();
        sum(ADD_PAGES.replace("@which", "true")).update();
        sum(ADD_PEOPLE.replace("@fresh", "true").replace("@which", "true")).update();
        jdbc.sql(PEOPLE.restore("true")).param("first", first).update();
        if (areArrivalsForgotten && !countedIn.equals(businesses.current().zone())) {
            letGoBefore(first);
        }
        jdbc.sql("select analyze_arrival_sums()").query(row -> {});
    }

    /** Arrivals that have moved to the last day of those that are kept no more go as well: they are in its sums. */
    private void letGoBefore(LocalDate first) {
        sum("delete from site_arrival where arrived_at < cast(:first as timestamp) at time zone :zone")
                .param("first", first)
                .update();
    }

    /** What is known of a source that another one was merged into; of days before the first arrival the sums are added. */
    void merge(UUID kept, UUID merged) {
        lock();
        jdbc.sql("""
                        with gone as (delete from arrival_sum where source_id = :merged returning *)
                        insert into arrival_sum select business_id, cast(:kept as uuid), day, arrivals from gone
                        on conflict (business_id, source_id, day)
                        do update set arrivals = arrival_sum.arrivals + excluded.arrivals
                        """).param("merged", merged).param("kept", kept).update();
        jdbc.sql("""
                        with gone as (
                            delete from arrival_person_sum where scope = 'source' and scope_id = :merged returning *)
                        insert into arrival_person_sum
                        select business_id, scope, cast(:kept as uuid), day, day_before, people from gone
                        on conflict (business_id, scope, scope_id, day, day_before)
                        do update set people = arrival_person_sum.people + excluded.people
                        """).param("merged", merged).param("kept", kept).update();
        rebuild();
    }

    private JdbcClient.StatementSpec sum(String sql) {
        return jdbc.sql(sql).param("zone", zone());
    }

    private String zone() {
        return businesses.current().zone().getId();
    }

    private void lock() {
        jdbc.sql("select pg_advisory_xact_lock(hashtextextended('arrivals ' || ?, 0))")
                .param(BusinessScope.current().value().toString())
                .query(row -> {});
    }
}

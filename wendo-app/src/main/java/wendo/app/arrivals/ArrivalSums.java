package wendo.app.arrivals;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.business.BusinessScope;
import wendo.app.business.Businesses;

/**
 * The daily sums of people's arrivals by the sources they stand for, in which figures are read: exact, kept up to date in
 * the transaction that keeps an arrival, and the same when they are made anew. Runs in the transaction of its caller.
 */
@Component
public class ArrivalSums {
    private static final String FRESH = """
            with theirs as materialized (
                select stands_for, visitor, (arrived_at at time zone :zone)::date as day, %s as is_fresh
                from arrival_source where kind = 'person' and origin <> 'direct' and stands_for is not null and %s),
            """;

    /** All of the visitor's, of which one is fresh. */
    private static final String ONE = FRESH.formatted("id = :id", """
            visitor = (select visitor from site_arrival where id = :id)
            and exists (select from site_arrival where id = :id and kind = 'person' and origin <> 'direct')""");

    private static final String ALL = FRESH.formatted("true", "true");

    /** A person who comes changes two rows at most; the difference of before and after is added. */
    private static final String ADD = """
            arrived as (
                insert into arrival_sum
                select current_business(), stands_for, day, count(*) from theirs where is_fresh group by 1, 2, 3
                on conflict (business_id, source_id, day)
                do update set arrivals = arrival_sum.arrivals + excluded.arrivals),
            days as materialized (
                select s.scope, s.scope_id, t.visitor, t.day, bool_and(t.is_fresh) as is_new
                from theirs t
                cross join lateral (values ('business', current_business()), ('source', t.stands_for)) s (scope, scope_id)
                group by 1, 2, 3, 4),
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
            """;

    private final JdbcClient jdbc;
    private final Businesses businesses;

    ArrivalSums(JdbcClient jdbc, Businesses businesses) {
        this.jdbc = jdbc;
        this.businesses = businesses;
    }

    /** An arrival that has just been kept. */
    void add(UUID arrival) {
        lock();
        sum(ONE + ADD).param("id", arrival).update();
    }

    /** Makes the sums anew from the arrivals that are kept; those of days before the first of them stay. */
    public void rebuild() {
        lock();
        LocalDate first = jdbc.sql(
                        "select coalesce((min(arrived_at) at time zone ?)::date, date '9999-12-31') from site_arrival")
                .param(zone())
                .query(LocalDate.class)
                .single();
        for (String table : List.of("arrival_sum", "arrival_person_sum")) {
            jdbc.sql("delete from " + table + " where day >= ?").param(first).update();
        }
        sum(ALL + ADD).update();
        jdbc.sql("select analyze_arrival_sums()").query(row -> {});
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

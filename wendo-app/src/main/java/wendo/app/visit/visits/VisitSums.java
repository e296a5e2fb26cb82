package wendo.app.visit.visits;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;

/**
 * The daily sums of visits, in which figures are read: exact, kept up to date in the transaction that stores visits, and
 * the same when they are made anew. Runs in the transaction of its caller.
 */
@Component
class VisitSums {
    private static final PeopleBefore PEOPLE =
            new PeopleBefore("visit_person_sum", "scope", "scope_id", "counted", "day");

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

    /** Adds the visits that this transaction has stored, and that nothing had stored before ({@code stored_visit}). */
    void add() {
        jdbc.sql(SumStatements.BY_KIND.formatted(SumStatements.THESE)).update();
        jdbc.sql(SumStatements.BY_TRAIT.formatted(SumStatements.THESE)).update();
        jdbc.sql(SumStatements.THEIRS + SumStatements.BY_PERSON)
                .param("scope", "")
                .update();
    }

    /**
     * Makes the sums anew from the visits that are kept; those of days before the first of them stay. True if nothing
     * changed by it, as it should be.
     *
     * @param countedIn the time zone by whose days they were counted until now
     */
    boolean rebuild(ZoneId countedIn) {
        jdbc.sql("select set_config('work_mem', '256MB', true)").query(row -> {}); // sums of millions, for once
        String before = checksum();
        LocalDate first = firstDay(countedIn);
        boolean areVisitsForgotten = jdbc.sql("select exists (select from visit_sum where day < ?)")
                .param(first)
                .query(Boolean.class)
                .single();
        for (String table : List.of("visit_sum", "visit_trait_sum")) {
            jdbc.sql("delete from " + table + " where day >= ?").param(first).update();
        }
        jdbc.sql(PEOPLE.drop()).param("first", first).update();
        dropMonths(first, Optional.empty());
        jdbc.sql(SumStatements.BY_KIND.formatted(SumStatements.EVERY)).update();
        SumStatements.everyTrait().forEach(statement -> jdbc.sql(statement).update());
        for (String scope : List.of("business", "source", "link")) {
            jdbc.sql(SumStatements.ALL_ARE_FRESH.formatted(SumStatements.EVERY) + SumStatements.BY_PERSON)
                    .param("scope", scope)
                    .update();
        }
        jdbc.sql(PEOPLE.restore("true")).param("first", first).update();
        if (areVisitsForgotten && !countedIn.equals(businesses.current().zone())) {
            letGoBefore(first);
        }
        jdbc.sql("select analyze_visit_sums()").query(row -> {});
        return checksum().equals(before);
    }

    /**
     * Where there are sums of visits that are kept no more, visits that have moved to their last day by another time zone
     * go as well, now that they are in its sums: made anew again, that day would lose the rest.
     */
    private void letGoBefore(LocalDate first) {
        jdbc.sql("""
                        delete from visit where arrived_at < cast(:first as timestamp) at time zone :zone
                        """)
                .param("first", first)
                .param("zone", businesses.current().zone().getId())
                .update();
    }

    /** The same for the same sums, whatever their order; rows that came down to nothing count as none. */
    private String checksum() {
        return jdbc.sql("""
                        select concat_ws(' ',
                            (select sum(hashtextextended(s::text, 0)) from visit_sum s),
                            (select sum(hashtextextended(s::text, 0)) from visit_month_sum s),
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
        dropMonths(first, Optional.of(link));
        dropPeople("link", link, first);
        jdbc.sql(SumStatements.BY_KIND.formatted(SumStatements.OF_LINK))
                .param("id", link)
                .update();
        jdbc.sql(SumStatements.BY_TRAIT.formatted(SumStatements.OF_LINK))
                .param("id", link)
                .update();
        people("link", SumStatements.OF_LINK, link, first);
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
        people("source", SumStatements.OF_SOURCE, kept, first);
    }

    private void people(String scope, String visits, UUID id, LocalDate first) {
        jdbc.sql(SumStatements.ALL_ARE_FRESH.formatted(visits) + SumStatements.BY_PERSON)
                .param("scope", scope)
                .param("id", id)
                .update();
        jdbc.sql(PEOPLE.restore("r.scope = :scope and r.scope_id = :id"))
                .param("scope", scope)
                .param("id", id)
                .param("first", first)
                .update();
    }

    /** Call it when the days have been dropped; what is left of the first one's month stays. */
    private void dropMonths(LocalDate first, Optional<UUID> link) {
        for (String statement : SumStatements.MONTHS_OF_DAYS) {
            jdbc.sql(statement)
                    .param("month", first.withDayOfMonth(1))
                    .param("link", link.orElse(null))
                    .update();
        }
    }

    private void dropPeople(String scope, UUID id, LocalDate first) {
        jdbc.sql(PEOPLE.drop() + " and scope = :scope and scope_id = :id")
                .param("scope", scope)
                .param("id", id)
                .param("first", first)
                .update();
    }

    private LocalDate firstDay() {
        return firstDay(businesses.current().zone());
    }

    /** The day of the first visit that is kept; tomorrow's sums and later ones can be of none. */
    private LocalDate firstDay(ZoneId zone) {
        return jdbc.sql("select coalesce((min(arrived_at) at time zone ?)::date, date '9999-12-31') from visit")
                .param(zone.getId())
                .query(LocalDate.class)
                .single();
    }
}

package wendo.app.credit;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;

/** Which edition of a business's credit is shown, and which is being calculated. Runs in the transaction of its caller. */
@Component
class CreditEditions {
    /** The edition of a business whose credit was never recalculated. */
    private static final long FIRST = 1;

    private final JdbcClient jdbc;
    private final Clock clock;

    CreditEditions(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * How far the last recalculation is.
     *
     * @param why what had changed
     */
    record Progress(
            long current, Optional<Long> building, String why, int done, int total, Optional<Instant> finishedAt) {
        public boolean isUnderWay() {
            return building.isPresent();
        }
    }

    /**
     * Waits until no other transaction credits outcomes of this business; what is read from then on is theirs too. The
     * statements that follow are planned once for all, for planning them takes longer than they do.
     */
    void lock() {
        jdbc.sql("""
                        select set_config('plan_cache_mode', 'force_generic_plan', true),
                            pg_advisory_xact_lock(hashtextextended('credit ' || ?, 0))
                        """).param(BusinessScope.current().value().toString()).query(row -> {});
    }

    Optional<Progress> find() {
        return jdbc.sql("select current, building, why, done, total, finished_at from credit_edition")
                .query((row, number) -> new Progress(
                        row.getLong(1),
                        Optional.ofNullable(row.getObject(2, Long.class)),
                        row.getString(3),
                        row.getInt(4),
                        row.getInt(5),
                        Optional.ofNullable(row.getTimestamp(6)).map(Timestamp::toInstant)))
                .optional();
    }

    long current() {
        return find().map(Progress::current).orElse(FIRST);
    }

    /** Begins a new edition, or begins it again if one is under way; answers its number. */
    long ask(String why) {
        return jdbc.sql("""
                        insert into credit_edition values (?, 1, 2, ?, ?, 0, 0, null)
                        on conflict (business_id) do update set
                            building = greatest(credit_edition.current, coalesce(credit_edition.building, 0)) + 1,
                            why = excluded.why, asked_at = excluded.asked_at, done = 0, total = 0, finished_at = null
                        returning building
                        """)
                .params(BusinessScope.current().value(), why, Timestamp.from(clock.instant()))
                .query(Long.class)
                .single();
    }

    void progress(int done, int total) {
        jdbc.sql("update credit_edition set done = ?, total = ?")
                .params(done, total)
                .update();
    }

    /** Shows the new edition from now on and deletes the one before. */
    void stand(long edition) {
        jdbc.sql("update credit_edition set current = ?, building = null, done = total, finished_at = ?")
                .params(edition, Timestamp.from(clock.instant()))
                .update();
        jdbc.sql("delete from credit_row where edition <> ?").param(edition).update();
    }

    /** After so many new rows the planner needs fresh statistics. */
    void look() {
        jdbc.sql("select analyze_credit_rows()").query(row -> {});
    }
}

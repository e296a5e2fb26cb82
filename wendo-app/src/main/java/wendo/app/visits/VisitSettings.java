package wendo.app.visits;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;

/** How the current business has its visits counted and kept. */
@Component
class VisitSettings {
    static final int MIN_MONTHS = 1;
    static final int MAX_MONTHS = 60;

    private final JdbcClient jdbc;
    private final Clock clock;

    VisitSettings(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * The settings.
     *
     * @param keepsCookie whether visitors may be told apart by a cookie on the link host
     * @param months how long visits are kept one by one
     */
    record Kept(boolean keepsCookie, int months) {}

    /** The last time the sums were made anew; {@code wasRight} if nothing changed by it. */
    record Rebuilt(Instant askedAt, String askedBy, Optional<Instant> finishedAt, boolean wasRight) {}

    @Transactional(readOnly = true)
    Kept current() {
        return jdbc.sql("select keeps_visitor_cookie, keeps_visits_months from business")
                .query((row, number) -> new Kept(row.getBoolean(1), row.getInt(2)))
                .single();
    }

    @Transactional
    void change(Kept kept) {
        jdbc.sql("update business set keeps_visitor_cookie = ?, keeps_visits_months = ? where id = ?")
                .params(
                        kept.keepsCookie(),
                        kept.months(),
                        BusinessScope.current().value())
                .update();
    }

    /** False if it was asked for already and is not done. */
    @Transactional
    boolean askForSums(String by) {
        return jdbc.sql("""
                        insert into visit_rebuild values (?, ?, ?, null, false)
                        on conflict (business_id) do update set asked_at = excluded.asked_at,
                            asked_by = excluded.asked_by, finished_at = null, was_right = false
                        where visit_rebuild.finished_at is not null
                        """)
                        .params(BusinessScope.current().value(), Timestamp.from(clock.instant()), by)
                        .update()
                == 1;
    }

    @Transactional
    void sumsMade(boolean wasRight) {
        jdbc.sql("update visit_rebuild set finished_at = ?, was_right = ?")
                .params(Timestamp.from(clock.instant()), wasRight)
                .update();
    }

    @Transactional(readOnly = true)
    Optional<Rebuilt> lastRebuilt() {
        return jdbc.sql("select asked_at, asked_by, finished_at, was_right from visit_rebuild")
                .query((row, number) -> new Rebuilt(
                        row.getTimestamp(1).toInstant(),
                        row.getString(2),
                        Optional.ofNullable(row.getTimestamp(3)).map(Timestamp::toInstant),
                        row.getBoolean(4)))
                .optional();
    }
}

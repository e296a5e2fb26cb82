package wendo.app.visit.visits;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessScope;

/** When the sums of the current business were asked to be made anew. */
@Component
class VisitSettings {
    private final JdbcClient jdbc;
    private final Clock clock;

    VisitSettings(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** The last time the sums were made anew; {@code wasRight} if nothing changed by it. */
    record Rebuilt(Instant askedAt, String askedBy, Optional<Instant> finishedAt, boolean wasRight) {}

    /** False if it was asked for already and is not done. */
    @Transactional
    boolean askForSums(String by) {
        return jdbc.sql("""
                        insert into visit_rebuild (business_id, asked_at, asked_by, finished_at, was_right)
                        values (?, ?, ?, null, false)
                        on conflict (business_id) do update set asked_at = excluded.asked_at,
                            asked_by = excluded.asked_by, finished_at = null, was_right = false
                        where visit_rebuild.finished_at is not null
                        """)
                        .params(BusinessScope.current().value(), Timestamp.from(clock.instant()), by)
                        .update()
                == 1;
    }

    /** Until they are made anew, the sums are counted by the days of this time zone. */
    @Transactional
    void countedIn(ZoneId zone, String why) {
        askForSums(why);
        jdbc.sql("update visit_rebuild set counted_in = coalesce(counted_in, ?)")
                .param(zone.getId())
                .update();
    }

    /** Empty if it is the business's own. */
    Optional<ZoneId> countedIn() {
        return jdbc.sql("select counted_in from visit_rebuild where counted_in is not null")
                .query(String.class)
                .optional()
                .map(ZoneId::of);
    }

    @Transactional
    void sumsMade(boolean wasRight) {
        jdbc.sql("update visit_rebuild set finished_at = ?, was_right = ?, counted_in = null")
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

package wendo.app.audience.visitortags;

import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessScope;
import wendo.core.visits.ClickId;

/**
 * Calls to ad desks that wait. They pour in with visits and are gone once they were made, so they are statements, each in
 * one place here.
 */
@Component
class ServerCalls {
    /** A call that failed so often is given up: after a minute, four, nine and sixteen. */
    static final int MOST_TRIES = 5;

    private static final int PORTION = 200;
    private static final Duration FIRST_PAUSE = Duration.ofMinutes(1);

    private final JdbcClient jdbc;

    ServerCalls(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    record Call(UUID tag, ClickId click, int tries) {}

    /** Runs in the transaction of its caller. */
    void add(UUID tag, ClickId click, Instant now) {
        jdbc.sql(
                        "insert into visitor_tag_call (business_id, tag_id, click_id, tries, next_at) values (?, ?, ?, 0, ?) on conflict do nothing")
                .params(BusinessScope.current().value(), tag, click.uuid(), Timestamp.from(now))
                .update();
    }

    /** Businesses with calls that are due. */
    @Transactional(readOnly = true)
    List<UUID> businesses(Instant now) {
        return jdbc.sql("select door_tag_calls_due(?)")
                .param(Timestamp.from(now))
                .query(UUID.class)
                .list();
    }

    @Transactional(readOnly = true)
    List<Call> due(Instant now) {
        return jdbc.sql(
                        "select tag_id, click_id, tries from visitor_tag_call where next_at <= ? order by next_at limit ?")
                .params(Timestamp.from(now), PORTION)
                .query((row, number) -> new Call(
                        row.getObject(1, UUID.class), new ClickId(row.getObject(2, UUID.class)), row.getInt(3)))
                .list();
    }

    @Transactional
    void done(Call call) {
        jdbc.sql("delete from visitor_tag_call where tag_id = ? and click_id = ?")
                .params(call.tag(), call.click().uuid())
                .update();
    }

    /** All calls of a tag wait, so that a desk that is down is asked once and not for each visit. */
    @Transactional
    void postpone(UUID tag, Instant now) {
        jdbc.sql("""
                        update visitor_tag_call set tries = tries + 1,
                            next_at = ?::timestamptz + (tries + 1) * (tries + 1) * ?::interval
                        where tag_id = ? and next_at <= ?
                        """)
                .params(Timestamp.from(now), FIRST_PAUSE.toString(), tag, Timestamp.from(now))
                .update();
    }

    /** How many were given up. */
    @Transactional
    int giveUp(UUID tag) {
        return jdbc.sql("delete from visitor_tag_call where tag_id = ? and tries >= ?")
                .params(tag, MOST_TRIES)
                .update();
    }
}

package wendo.app.credit;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.core.credit.CreditableTouches;
import wendo.core.links.Channel;
import wendo.core.visits.Touch;

/** Reads what people did before their outcomes. Runs in the transaction of its caller. */
@Component
class TouchStore {
    /**
     * The visits of a person that may be touches: those that count, and the one whose click identifier came back even if
     * it looked automatic, for robots do not book; previews never. That visit may be a little later than its outcome by
     * the clock of another machine, and counts at its outcome's time then. Beside them their arrivals without a link. Each
     * person's are looked up by index, however few outcomes the database knows of yet.
     */
    private static final String STEPS = """
            with due as materialized (
                select o.id, o.occurred_at, o.click_id, i.person
                from unnest(:outcomes) asked (id)
                cross join lateral (select * from outcome where id = asked.id offset 0) o
                cross join lateral (select identity_id from trail where outcome_id = o.id offset 0) t
                cross join lateral (select person from identity where id = t.identity_id offset 0) i)
            select d.id, 'visit', v.source_id, v.click_id, v.arrived_at, v.link_id
            from due d
            cross join lateral (
                select key from identity where person = d.person and kind = 'visitor' offset 0) i
            cross join lateral (
                select source_id, click_id, least(arrived_at, d.occurred_at) as arrived_at, link_id from visit v
                where v.visitor = i.key::uuid and v.arrived_at <= d.occurred_at
                        + case when v.click_id = d.click_id then make_interval(secs => :skew) else interval '0' end
                    and v.arrived_at >= d.occurred_at - make_interval(days => :days)
                    and (v.kind = 'person' or (v.click_id = d.click_id and v.kind not in ('preview', 'proof'))) offset 0) v
            union all
            select d.id, 'arrival', a.stands_for, a.id, a.arrived_at, null
            from due d
            cross join lateral (
                select key from identity where person = d.person and kind = 'browser' offset 0) i
            cross join lateral (
                select stands_for, id, arrived_at from arrival_source a
                where a.visitor = i.key::uuid and a.arrived_at <= d.occurred_at
                    and a.arrived_at >= d.occurred_at - make_interval(days => :days) and a.kind = 'person' offset 0) a
            """;

    private final JdbcClient jdbc;

    TouchStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** How a person came: by a link, or without one. */
    record Step(String how, Touch.Step step, Optional<UUID> link) {}

    /**
     * By outcome; those without any have none.
     *
     * @param channels of the sources there are
     */
    Map<UUID, List<Step>> before(List<UUID> outcomes, Duration longest, Map<UUID, Channel> channels) {
        Map<UUID, List<Step>> byOutcome = new HashMap<>();
        jdbc.sql(STEPS)
                .param("outcomes", outcomes.toArray(UUID[]::new))
                .param("days", (int) longest.toDays())
                .param("skew", CreditableTouches.CLOCK_SKEW.toSeconds())
                .query(row -> {
                    UUID source =
                            Optional.ofNullable(row.getObject(3, UUID.class)).orElse(Touch.DIRECT);
                    byOutcome
                            .computeIfAbsent(row.getObject(1, UUID.class), id -> new ArrayList<>())
                            .add(new Step(
                                    row.getString(2),
                                    new Touch.Step(
                                            source,
                                            channels.getOrDefault(source, Channel.OTHER),
                                            row.getObject(4, UUID.class),
                                            row.getTimestamp(5).toInstant()),
                                    Optional.ofNullable(row.getObject(6, UUID.class))));
                });
        return byOutcome;
    }
}

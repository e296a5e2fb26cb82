package wendo.app.credit;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.business.BusinessScope;
import wendo.core.credit.Credit;
import wendo.core.links.Channel;
import wendo.core.visits.ClickId;
import wendo.core.visits.Touch;

/** Reads what crediting needs and keeps what it finds. Runs in the transaction of its caller. */
@Component
class CreditStore {
    private final JdbcClient jdbc;

    /** An outcome to be credited; {@code visitor} is known if its click identifier is a visit's. */
    record Due(UUID id, Instant occurredAt, long valueMinor, Optional<UUID> click, Optional<UUID> visitor) {}

    CreditStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Waits until no other transaction credits outcomes of this business; what is read from then on is theirs too. */
    void lock() {
        jdbc.sql("select pg_advisory_xact_lock(hashtextextended('credit ' || ?, 0))")
                .param(BusinessScope.current().value().toString())
                .query(row -> {});
    }

    Optional<Due> find(UUID outcome) {
        return jdbc.sql("""
                        select o.id, o.occurred_at, o.kept_minor, o.click_id, v.visitor
                        from outcome o
                        left join lateral (
                            select visitor, kind from visit
                            where click_id = o.click_id and arrived_at = click_time(o.click_id) offset 0) v on true
                        where o.id = ? and v.kind is distinct from 'proof'
                        """)
                .param(outcome)
                .query((row, number) -> new Due(
                        row.getObject(1, UUID.class),
                        row.getTimestamp(2).toInstant(),
                        row.getLong(3),
                        Optional.ofNullable(row.getObject(4, UUID.class)),
                        Optional.ofNullable(row.getObject(5, UUID.class))))
                .optional();
    }

    /**
     * The visits of a visitor that may be touches: those of people, and the one whose click identifier came back even
     * if it looked automatic, for robots do not book. Previews never.
     */
    List<Touch.Step> visits(UUID visitor, UUID click, Instant since, Instant until) {
        return jdbc.sql("""
                        select v.source_id, s.channel, v.click_id, v.arrived_at
                        from visit v join source s on s.id = v.source_id
                        where v.visitor = :visitor
                            and v.arrived_at <= :until
                            and v.arrived_at >= :since
                            and (v.kind = 'person' or (v.click_id = :click and v.kind not in ('preview', 'proof')))
                        """)
                .param("visitor", visitor)
                .param("click", click)
                .param("since", Timestamp.from(since))
                .param("until", Timestamp.from(until))
                .query((row, number) -> new Touch.Step(
                        row.getObject(1, UUID.class),
                        Channel.valueOf(row.getString(2)),
                        new ClickId(row.getObject(3, UUID.class)),
                        row.getTimestamp(4).toInstant()))
                .list();
    }

    void replace(UUID outcome, String model, List<Credit> credits) {
        jdbc.sql("delete from credit where outcome_id = ? and model = ?")
                .params(outcome, model)
                .update();
        for (Credit credit : credits) {
            jdbc.sql("""
                            insert into credit (business_id, model, outcome_id, click_id, touched_at, source_id,
                                share_millionths, value_minor, link_id)
                            select ?, ?, ?, v.click_id, v.arrived_at, ?, ?, ?, v.link_id
                            from visit v where v.click_id = ? and v.arrived_at = ?
                            """)
                    .params(BusinessScope.current().value(), model, outcome)
                    .params(credit.touch().source(), credit.shareMillionths(), credit.valueMinor())
                    .params(
                            credit.touch().click().uuid(),
                            Timestamp.from(credit.touch().startedAt()))
                    .update();
        }
    }

    /** Credit that no visit tells of: that of a code, a partner's report, contact details or an answer. */
    void replace(UUID outcome, String model, UUID source, Instant at, long valueMinor) {
        jdbc.sql("delete from credit where outcome_id = ? and model = ?")
                .params(outcome, model)
                .update();
        jdbc.sql("""
                        insert into credit (business_id, model, outcome_id, click_id, touched_at, source_id,
                            share_millionths, value_minor, link_id)
                        values (?, ?, ?, null, ?, ?, 1000000, ?, null)
                        """)
                .params(BusinessScope.current().value(), model, outcome)
                .params(Timestamp.from(at), source, valueMinor)
                .update();
    }

    /** Every outcome that something came with. */
    List<UUID> all() {
        return jdbc.sql("""
                        select id from outcome where click_id is not null or code_key <> '' or answer_key <> ''
                            or email <> '' or phone <> '' or partner_source_id is not null or visitor is not null
                            or set_source_id is not null
                        order by occurred_at
                        """).query(UUID.class).list();
    }

    /** Outcomes that came with this code or answer, or of visitors that came from this website. */
    List<UUID> with(String kind, String key) {
        String condition = switch (kind) {
            case "code" -> "o.code_key = ?";
            case "answer" -> "o.answer_key = ?";
            default -> "o.visitor in (select visitor from site_arrival where referrer_host = ?)";
        };
        return jdbc.sql("select o.id from outcome o where " + condition)
                .param(key)
                .query(UUID.class)
                .list();
    }

    /** Outcomes that wait for one of these visits. */
    List<UUID> waitingFor(List<UUID> clicks) {
        return jdbc.sql("""
                        select o.id from outcome o
                        where o.click_id in (:clicks) and not exists (
                            select from outcome_clue c where c.outcome_id = o.id and c.evidence = 'click')
                        """).param("clicks", clicks).query(UUID.class).list();
    }
}

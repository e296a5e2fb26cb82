package wendo.app.place.messages;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The SQL of who tapped their personal link, and what came of it. */
@Component
class RecipientTaps {
    private final JdbcClient jdbc;

    RecipientTaps(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * Somebody who tapped.
     *
     * @param outcomes what they booked or bought or asked since the first tap, by the click or by the same contact: kind
     *     and reference, in order; empty text for nothing
     * @param valueMinor of those outcomes that count
     */
    record Tapped(
            int line,
            String name,
            String contact,
            long taps,
            Instant first,
            Instant last,
            String outcomes,
            long valueMinor) {}

    /** By line of the list, the latest first. Double taps are one; robots and previews are none. */
    @Transactional(readOnly = true)
    Map<Integer, Tapped> of(UUID list) {
        Map<Integer, Tapped> tapped = new LinkedHashMap<>();
        jdbc.sql("""
                        with tapped as materialized (
                            select r.id, r.line, r.name, r.phone, r.email, count(*) as taps, min(v.arrived_at) as first,
                                max(v.arrived_at) as last, array_agg(v.click_id) as clicks
                            from recipient r join visit v on v.recipient_id = r.id and v.kind = 'person'
                            where r.list_id = ? group by r.id)
                        select t.line, t.name, coalesce(nullif(t.phone, ''), t.email), t.taps, t.first, t.last,
                            coalesce(o.said, ''), coalesce(o.minor, 0)
                        from tapped t
                        left join lateral (
                            select string_agg(kind || ' ' || reference, ', ' order by occurred_at, reference) as said,
                                sum(kept_minor) as minor
                            from outcome
                            where not is_proof and counts and (click_id = any(t.clicks)
                                or occurred_at >= t.first and (email = t.email and email <> '' or phone = t.phone and phone <> ''))
                            ) o on true
                        order by t.last desc, t.line
                        """).param(list).query(row -> {
            tapped.put(
                    row.getInt(1),
                    new Tapped(
                            row.getInt(1),
                            row.getString(2),
                            row.getString(3),
                            row.getLong(4),
                            row.getTimestamp(5).toInstant(),
                            row.getTimestamp(6).toInstant(),
                            row.getString(7),
                            row.getLong(8)));
        });
        return tapped;
    }
}

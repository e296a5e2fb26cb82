package wendo.app.lead.handover;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A lead that waits to be handed over, with the link it came by, if one is known.
 *
 * @param isLate whether it happened more than two days before it was reported: too late for a first message
 */
record Arrived(
        UUID id,
        Instant at,
        boolean isLate,
        String name,
        String email,
        String phone,
        String items,
        String message,
        Optional<UUID> link,
        String linkName,
        Optional<UUID> source,
        String sourceName,
        Optional<UUID> campaign,
        String campaignName,
        Optional<UUID> issuer) {
    static final String SQL = """
            select o.id, o.recorded_at, o.occurred_at < o.recorded_at - interval '2 days', o.name, o.email, o.phone, o.items, o.note, l.id, l.name, s.id, s.name, c.id, c.name,
                coalesce(l.owner_id, (
                    select p.id from membership m join person p on p.id = m.person_id where p.name = l.created_by limit 1))
            from outcome o
            left join lateral (select link_id from visit
                where click_id = o.click_id and arrived_at = click_time(o.click_id) offset 0) v on true
            left join link l on l.id = v.link_id
            left join outcome_source k on k.outcome_id = o.id and l.id is null
            left join source s on s.id = coalesce(l.source_id, k.source_id)
            left join campaign c on c.id = l.campaign_id
            where o.id = ?
            """;

    static Arrived of(ResultSet row, int number) throws SQLException {
        return new Arrived(
                row.getObject(1, UUID.class),
                row.getTimestamp(2).toInstant(),
                row.getBoolean(3),
                row.getString(4),
                row.getString(5),
                row.getString(6),
                row.getString(7),
                row.getString(8),
                Optional.ofNullable(row.getObject(9, UUID.class)),
                text(row.getString(10)),
                Optional.ofNullable(row.getObject(11, UUID.class)),
                text(row.getString(12)),
                Optional.ofNullable(row.getObject(13, UUID.class)),
                text(row.getString(14)),
                Optional.ofNullable(row.getObject(15, UUID.class)));
    }

    private static String text(@Nullable String value) {
        return value == null ? "" : value;
    }

    /** What to call the lead in a message to a colleague. */
    String called() {
        return !name.isEmpty() ? name : !email.isEmpty() ? email : !phone.isEmpty() ? phone : "somebody";
    }

    /** What merge fields stand for. */
    Map<String, String> fields(String business, String owner) {
        Map<String, String> fields = new HashMap<>();
        fields.put("name", name);
        fields.put("first name", name.strip().replaceFirst("\\s.*$", ""));
        fields.put("email", email);
        fields.put("phone", phone);
        fields.put("items", items);
        fields.put("message", message);
        fields.put("source", sourceName);
        fields.put("campaign", campaignName);
        fields.put("link", linkName);
        fields.put("owner", owner);
        fields.put("business", business);
        return fields;
    }
}

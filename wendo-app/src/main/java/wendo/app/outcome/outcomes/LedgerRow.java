package wendo.app.outcome.outcomes;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.site.Texts;
import wendo.core.links.Channel;
import wendo.core.outcomes.Evidence;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.outcomes.Standing;
import wendo.core.visits.ClickId;

/** An outcome as the ledger shows it, with the evidence that it came with. */
record LedgerRow(
        UUID id,
        OutcomeKind kind,
        String reference,
        Standing standing,
        Instant occurredAt,
        boolean isDayAlone,
        Optional<ClickId> click,
        String reportedBy,
        Optional<String> source,
        Optional<Channel> channel,
        Optional<Visited> visited,
        ReportedDetails told,
        Optional<UUID> setSource,
        List<Came> came) {
    static final String SQL = """
            select o.id, o.kind, o.reference, o.status, o.value_minor, o.refunded_minor, o.occurred_at, o.day_began_at is not null as day_alone, o.click_id, o.reported_by,
                s.name as source, s.channel, v.arrived_at as visited_at, v.kind as visit_kind, l.name as link_name,
                vs.name as visited_source, vs.channel as visited_channel, o.name, o.email, o.phone, o.items, o.note, o.set_source_id,
                array(select concat_ws(E'\\t', u.evidence, u.decides, coalesce(us.name, ''), u.said)
                    from outcome_clue u left join source us on us.id = u.source_id where u.outcome_id = o.id) as clues
            from outcome o
            left join outcome_source c on c.outcome_id = o.id
            left join source s on s.id = c.source_id
            left join visit v on v.click_id = o.click_id and v.arrived_at = click_time(o.click_id)
            left join link l on l.id = v.link_id
            left join source vs on vs.id = v.source_id
            """;

    /** The visit whose click identifier came back. */
    record Visited(Instant at, String kind, String linkName, String source, Channel channel) {}

    /**
     * What came with it and may join it to a source.
     *
     * @param source the name of the one it points to; empty text for none
     */
    record Came(Evidence evidence, boolean decides, String source, String said) {
        private static Came of(String line) {
            String[] parts = line.split("\t", 4);
            return new Came(Evidence.of(parts[0]), parts[1].equals("t"), parts[2], parts[3]);
        }

        private Came withoutContacts() {
            return evidence == Evidence.CONTACT
                    ? new Came(evidence, decides, source, Texts.of("outcome.outcomes.a-contact"))
                    : this;
        }
    }

    /** As somebody sees it who may not see who the customer is. */
    LedgerRow withoutContacts() {
        return new LedgerRow(
                id,
                kind,
                reference,
                standing,
                occurredAt,
                isDayAlone,
                click,
                reportedBy,
                source,
                channel,
                visited,
                new ReportedDetails("", "", "", told.code(), "", told.items(), ""),
                setSource,
                came.stream().map(Came::withoutContacts).toList());
    }

    static LedgerRow read(ResultSet row, int number) throws SQLException {
        UUID click = row.getObject("click_id", UUID.class);
        Timestamp visitedAt = row.getTimestamp("visited_at");
        return new LedgerRow(
                row.getObject("id", UUID.class),
                OutcomeKind.find(row.getString("kind")).orElseThrow(),
                row.getString("reference"),
                new Standing(
                        OutcomeStatus.find(row.getString("status")).orElseThrow(),
                        row.getLong("value_minor"),
                        row.getLong("refunded_minor")),
                row.getTimestamp("occurred_at").toInstant(),
                row.getBoolean("day_alone"),
                Optional.ofNullable(click).map(ClickId::new),
                row.getString("reported_by"),
                Optional.ofNullable(row.getString("source")),
                Optional.ofNullable(row.getString("channel")).map(Channel::valueOf),
                visitedAt == null
                        ? Optional.empty()
                        : Optional.of(new Visited(
                                visitedAt.toInstant(),
                                row.getString("visit_kind"),
                                row.getString("link_name"),
                                row.getString("visited_source"),
                                Channel.valueOf(row.getString("visited_channel")))),
                new ReportedDetails(
                        row.getString("name"),
                        row.getString("email"),
                        row.getString("phone"),
                        "",
                        "",
                        row.getString("items"),
                        row.getString("note")),
                Optional.ofNullable(row.getObject("set_source_id", UUID.class)),
                Arrays.stream((String[]) row.getArray("clues").getArray())
                        .map(Came::of)
                        .sorted(Comparator.comparing(Came::evidence))
                        .toList());
    }
}

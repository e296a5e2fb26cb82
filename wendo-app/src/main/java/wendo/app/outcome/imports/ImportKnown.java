package wendo.app.outcome.imports;

import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.outcome.networks.Networks;
import wendo.app.outcome.outcomes.KnownOutcome;
import wendo.app.outcome.outcomes.Outcomes;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.tables.Table;
import wendo.core.links.Channel;
import wendo.core.visits.ClickId;

/** What is known of the rows of a file before they are imported. Runs in the transaction of its caller. */
@Component
class ImportKnown {
    private final Networks networks;
    private final Outcomes outcomes;
    private final Businesses businesses;
    private final JdbcClient jdbc;
    private final Clock clock;

    ImportKnown(Networks networks, Outcomes outcomes, Businesses businesses, JdbcClient jdbc, Clock clock) {
        this.networks = networks;
        this.outcomes = outcomes;
        this.businesses = businesses;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** The outcomes that are there already, by what their references are compared by. */
    Map<String, KnownOutcome> outcomes(ImportMatching matching, List<Table.Row> rows) {
        return outcomes.known(matching.kind(), Arrays.asList(cells(rows, matching, ImportColumn.REFERENCE)));
    }

    /** The visit of a click identifier: what sort it is, when it was, and by which channel. */
    record Visited(String kind, Instant at, Channel channel) {}

    /** The visits whose identifiers came back. */
    Map<ClickId, Visited> visits(List<ClickId> clicks) {
        Map<ClickId, Visited> visits = new HashMap<>();
        jdbc.sql("""
                        select v.click_id, v.kind, v.arrived_at, s.channel
                        from unnest(cast(? as uuid[])) asked (id)
                        join visit v on v.click_id = asked.id and v.arrived_at = click_time(asked.id)
                        join source s on s.id = v.source_id
                        """)
                .param(clicks.stream().map(ClickId::uuid).distinct().toArray(UUID[]::new))
                .query(row -> {
                    visits.put(
                            new ClickId(row.getObject(1, UUID.class)),
                            new Visited(
                                    row.getString(2),
                                    row.getTimestamp(3).toInstant(),
                                    Channel.valueOf(row.getString(4))));
                });
        return visits;
    }

    /** Reads rows; what stands for click identifiers at a partner's has been looked up for all of them. */
    ImportRow reader(List<Table.Row> rows, ImportMatching matching) {
        Map<String, ClickId> clicks = matching.partner().isEmpty()
                ? Map.of()
                : networks.clicks(
                        UUID.fromString(matching.partner()),
                        Arrays.stream(cells(rows, matching, ImportColumn.CLICK))
                                .map(cell -> cell.toLowerCase(Locale.ROOT))
                                .toList());
        return new ImportRow(
                matching,
                businesses.current(),
                clock.instant(),
                clicks,
                matching.partner().isEmpty() ? Optional.empty() : networks.payer(UUID.fromString(matching.partner())));
    }

    private static String[] cells(List<Table.Row> rows, ImportMatching matching, ImportColumn column) {
        return rows.stream()
                .map(row -> matching.cell(row, column).strip())
                .filter(cell -> !cell.isEmpty())
                .distinct()
                .toArray(String[]::new);
    }

    /** Those that stand for a source. */
    Set<String> codes() {
        return new HashSet<>(jdbc.sql("select key from source_clue where kind = 'code'")
                .query(String.class)
                .list());
    }
}

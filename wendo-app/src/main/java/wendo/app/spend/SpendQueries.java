package wendo.app.spend;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.links.Channel;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.Period;

/** The SQL of the spend screen. */
@Component
class SpendQueries {
    private static final String ROWS = """
            select e.id, e.source_id, s.name, s.channel, e.amount_minor, e.first_day, e.last_day, e.note, e.created_by
            from spend e join source s on s.id = e.source_id
            """;

    private final JdbcClient jdbc;

    record Row(
            UUID id,
            UUID sourceId,
            String source,
            Channel channel,
            LumpSpend lump,
            String note,
            String enteredBy,
            long inPeriodMinor) {}

    SpendQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    List<Row> list(Period period) {
        return jdbc.sql(ROWS + "where e.first_day < ? and e.last_day >= ? order by e.first_day desc, s.name, e.id")
                .params(period.endExclusive(), period.startInclusive())
                .query((row, number) -> row(row, period))
                .list();
    }

    @Transactional(readOnly = true)
    Optional<Row> find(UUID id, Period period) {
        return jdbc.sql(ROWS + "where e.id = ?")
                .param(id)
                .query((row, number) -> row(row, period))
                .optional();
    }

    private static Row row(java.sql.ResultSet row, Period period) throws java.sql.SQLException {
        LumpSpend lump = new LumpSpend(
                row.getLong("amount_minor"),
                Period.ofDays(row.getObject("first_day", LocalDate.class), row.getObject("last_day", LocalDate.class)));
        return new Row(
                row.getObject("id", UUID.class),
                row.getObject("source_id", UUID.class),
                row.getString("name"),
                Channel.valueOf(row.getString("channel")),
                lump,
                row.getString("note"),
                row.getString("created_by"),
                lump.within(period));
    }
}

package wendo.app.spend;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.Period;

/** What sources cost. */
@Service
public class Spends {
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final Clock clock;

    private record Lump(UUID source, LumpSpend spend) {}

    Spends(EntityManager entities, JdbcClient jdbc, Clock clock) {
        this.entities = entities;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional
    public UUID enter(UUID source, LumpSpend lump, String note, String enteredBy) {
        SpendEntry entry = new SpendEntry(BusinessScope.current(), source, lump, note, enteredBy, clock.instant());
        entities.persist(entry);
        entities.flush();
        return entry.id();
    }

    @Transactional
    public boolean remove(UUID id) {
        return jdbc.sql("delete from spend where id = ?").param(id).update() == 1;
    }

    /** What of a spend falls in a period, for a source or for one link of it. */
    public record Part(UUID source, Optional<UUID> link, long minor) {}

    /** What of each source's spend falls in the period, in minor units. A source without any is absent. */
    @Transactional(readOnly = true)
    public Map<UUID, Long> bySource(Period period) {
        return jdbc
                .sql(
                        "select source_id, amount_minor, first_day, last_day from spend where first_day < ? and last_day >= ?")
                .params(period.endExclusive(), period.startInclusive())
                .query((row, number) -> new Lump(
                        row.getObject(1, UUID.class),
                        new LumpSpend(
                                row.getLong(2),
                                Period.ofDays(row.getObject(3, LocalDate.class), row.getObject(4, LocalDate.class)))))
                .list()
                .stream()
                .collect(Collectors.groupingBy(
                        Lump::source,
                        Collectors.summingLong(lump -> lump.spend().within(period))));
    }

    @Transactional(readOnly = true)
    public List<Part> parts(Period period) {
        return bySource(period).entrySet().stream()
                .map(entry -> new Part(entry.getKey(), Optional.empty(), entry.getValue()))
                .toList();
    }
}

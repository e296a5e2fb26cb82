package wendo.app.spend;

import java.io.Serializable;
import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;

/** Enters what a file from an ad account says; what an earlier file said of the same day is corrected. */
@Service
class SpendFileEntries {
    private final SpendFiles files;
    private final JdbcClient jdbc;
    private final JdbcTemplate batches;
    private final Clock clock;

    SpendFileEntries(SpendFiles files, JdbcClient jdbc, JdbcTemplate batches, Clock clock) {
        this.files = files;
        this.jdbc = jdbc;
        this.batches = batches;
        this.clock = clock;
    }

    /** What became of a file: entries that are new, that changed, and that were known; the session keeps it for one page. */
    record Imported(int fresh, int changed, int known) implements Serializable {}

    private record Key(UUID source, LocalDate day) {}

    /** One entry for each source and day; what an entry said before it changed is kept. */
    @Transactional
    Imported enter(SpendFile file, int decimals, String by) {
        Map<Key, Long> sums = new HashMap<>();
        file.lines(files.names(), decimals).stream()
                .filter(SpendFile.Line::isGood)
                .forEach(line -> sums.merge(
                        new Key(line.source().orElseThrow(), line.day().orElseThrow()),
                        line.minor().orElseThrow(),
                        Long::sum));
        String origin = SpendLayout.heading(file.table().columns());
        Map<Key, Long> before = before(origin);
        List<Map.Entry<Key, Long>> fresh = new ArrayList<>();
        List<Map.Entry<Key, Long>> changed = new ArrayList<>();
        for (Map.Entry<Key, Long> sum : sums.entrySet()) {
            Long was = before.get(sum.getKey());
            if (was == null) {
                fresh.add(sum);
            } else if (!was.equals(sum.getValue())) {
                changed.add(sum);
            }
        }
        insert(fresh, origin, file.name(), by);
        correct(changed, before, origin, decimals, by);
        jdbc.sql("update spend_file set imported_at = ? where id = ?")
                .params(Timestamp.from(clock.instant()), file.id())
                .update();
        return new Imported(fresh.size(), changed.size(), sums.size() - fresh.size() - changed.size());
    }

    private Map<Key, Long> before(String origin) {
        Map<Key, Long> before = new HashMap<>();
        jdbc.sql("select source_id, first_day, amount_minor from spend where origin = ?")
                .param(origin)
                .query(row -> {
                    before.put(
                            new Key(row.getObject(1, UUID.class), row.getObject(2, LocalDate.class)), row.getLong(3));
                });
        return before;
    }

    private void insert(List<Map.Entry<Key, Long>> fresh, String origin, String note, String by) {
        UUID business = BusinessScope.current().value();
        Timestamp now = Timestamp.from(clock.instant());
        batches.batchUpdate(
                """
                insert into spend (id, business_id, source_id, shared_by, way, amount_minor, unit_millis, first_day, last_day,
                    note, created_at, created_by, origin)
                values (?, ?, ?, '', 'lump', ?, 0, ?, ?, ?, ?, ?, ?)
                """,
                fresh.stream()
                        .map(one -> new Object[] {
                            UUID.randomUUID(),
                            business,
                            one.getKey().source(),
                            one.getValue(),
                            one.getKey().day(),
                            one.getKey().day(),
                            note,
                            now,
                            by,
                            origin
                        })
                        .toList());
    }

    private void correct(
            List<Map.Entry<Key, Long>> changed, Map<Key, Long> before, String origin, int decimals, String by) {
        UUID business = BusinessScope.current().value();
        Timestamp now = Timestamp.from(clock.instant());
        batches.batchUpdate(
                """
                insert into spend_correction
                select ?, id, ? || ' on ' || first_day || ', ' || note, ?, ?
                from spend where source_id = ? and first_day = ? and origin = ?
                """,
                changed.stream()
                        .map(one -> new Object[] {
                            business,
                            BigDecimal.valueOf(before.getOrDefault(one.getKey(), 0L), decimals)
                                    .toPlainString(),
                            now,
                            by,
                            one.getKey().source(),
                            one.getKey().day(),
                            origin
                        })
                        .toList());
        batches.batchUpdate(
                "update spend set amount_minor = ? where source_id = ? and first_day = ? and origin = ?",
                changed.stream()
                        .map(one -> new Object[] {
                            one.getValue(), one.getKey().source(), one.getKey().day(), origin
                        })
                        .toList());
    }
}

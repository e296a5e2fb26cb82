package wendo.app.money.spend;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.site.Texts;
import wendo.app.platform.tables.Table;
import wendo.core.outcomes.WrittenTime;

/** A file from an ad account, as it is read. */
record SpendFile(UUID id, String name, Table table, SpendLayout layout, Optional<Instant> importedAt) {
    private static final int MAX_KEY = 200;
    private static final BigDecimal MOST = BigDecimal.valueOf(100_000_000_000L);

    /**
     * A row and what becomes of it.
     *
     * @param key the name in the form that is remembered
     * @param fault what keeps it from being entered; empty text if nothing does
     */
    record Line(
            int line,
            String name,
            String key,
            Optional<LocalDate> day,
            Optional<Long> minor,
            Optional<UUID> source,
            String fault) {

        boolean isGood() {
            return fault.isEmpty();
        }
    }

    static String key(String name) {
        String key = name.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT);
        return key.length() <= MAX_KEY ? key : key.substring(0, MAX_KEY);
    }

    /** @param names the sources that names stand for, by key */
    List<Line> lines(Map<String, UUID> names, int decimals) {
        return table.rows().stream().map(row -> line(row, names, decimals)).toList();
    }

    private Line line(Table.Row row, Map<String, UUID> names, int decimals) {
        String said = row.cell(layout.name()).strip();
        Optional<LocalDate> day = layout.days().find(row.cell(layout.day())).map(WrittenTime::day);
        Optional<Long> minor = minor(layout.amounts().plain(row.cell(layout.amount())), decimals);
        Optional<UUID> source = Optional.ofNullable(names.get(key(said)));
        String fault = day.isEmpty()
                ? Texts.of("money.spend.is-not-a-day", row.cell(layout.day()))
                : minor.isEmpty()
                        ? Texts.of("money.spend.is-not-an-amount", row.cell(layout.amount()))
                        : source.isEmpty() ? Texts.of("money.spend.no-source-chosen-for-it") : "";
        return new Line(row.line(), said, key(said), day, minor, source, fault);
    }

    private static Optional<Long> minor(String plain, int decimals) {
        if (!plain.matches("\\d{1,12}(\\.\\d{1,9})?")) {
            return Optional.empty();
        }
        BigDecimal minor = new BigDecimal(plain).movePointRight(decimals);
        return minor.compareTo(MOST) > 0
                ? Optional.empty()
                : Optional.of(minor.setScale(0, java.math.RoundingMode.HALF_UP).longValueExact());
    }
}

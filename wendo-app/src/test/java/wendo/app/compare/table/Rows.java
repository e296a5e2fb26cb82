package wendo.app.compare.table;

import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import wendo.app.compare.sql.Credited;
import wendo.app.compare.sql.Grouping;
import wendo.app.money.targets.Targets;
import wendo.app.platform.site.Figures;
import wendo.core.links.Channel;
import wendo.core.outcomes.OutcomeKind;

/** Rows to compare, made up for the tests of this package. */
public final class Rows {
    public static final Figures FIGURES = new Figures(CurrencyUnit.GBP, ZoneId.of("Europe/London"), Locale.UK);

    private Rows() {}

    public static Credited whole(long outcomes, long minor) {
        return new Credited(outcomes * 1_000_000, outcomes, minor);
    }

    static String key(String name) {
        return new UUID(0, name.hashCode()).toString();
    }

    /** A source with bookings of 1 pound each; spend of 0 is none entered. */
    public static ComparedRow row(String name, long people, long bookings, long spendMinor) {
        return new ComparedRow(
                key(name),
                name,
                Optional.of(Channel.AD),
                people,
                people,
                people,
                Map.of(OutcomeKind.BOOKING, whole(bookings, bookings * 100)),
                Map.of(OutcomeKind.BOOKING, bookings * 1_000_000),
                Optional.of(spendMinor).filter(minor -> minor > 0));
    }

    public static Comparison comparison(Targets.All targets, ComparedRow... rows) {
        ComparedRow sum = new ComparedRow(
                ComparedRow.TOTAL,
                "Total",
                Optional.empty(),
                0,
                Arrays.stream(rows).mapToLong(ComparedRow::people).sum(),
                Arrays.stream(rows).mapToLong(ComparedRow::people).sum(),
                Map.of(
                        OutcomeKind.BOOKING,
                        Arrays.stream(rows)
                                .map(row -> row.credited(OutcomeKind.BOOKING))
                                .reduce(Credited.none(), Credited::plus)),
                Map.of(
                        OutcomeKind.BOOKING,
                        Arrays.stream(rows)
                                .mapToLong(row -> row.ratedMillionths().getOrDefault(OutcomeKind.BOOKING, 0L))
                                .sum()),
                Optional.of(Arrays.stream(rows)
                        .mapToLong(row -> row.spendMinor().orElse(0L))
                        .sum()));
        return new Comparison(Grouping.SOURCE, List.of(rows), sum, 0, targets);
    }
}

package wendo.app.outcome.outcomes;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import wendo.app.platform.site.Figures;
import wendo.core.credit.LookbackWindows;
import wendo.core.links.Channel;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.outcomes.Standing;
import wendo.core.visits.ClickId;

/** What is said of a visit whose identifier came back, and which has no credit. */
class EvidenceWordsTest {
    private static final Instant BOOKED = Instant.parse("2026-07-01T12:00:00Z");
    private static final Duration WINDOW = LookbackWindows.usual().of(Channel.PRINT);

    private static String said(String kind, Instant visitedAt) {
        LedgerRow row = new LedgerRow(
                new UUID(1, 1),
                OutcomeKind.BOOKING,
                "B-1",
                Standing.open(9500),
                BOOKED,
                false,
                Optional.of(ClickId.of(visitedAt, new Random(1))),
                "api",
                Optional.empty(),
                Optional.empty(),
                Optional.of(new LedgerRow.Visited(visitedAt, kind, "Flyer", "Flyers", Channel.PRINT)),
                new ReportedDetails("", "", "", "", "", "", ""),
                Optional.empty(),
                List.of());
        return EvidenceWords.of(row, new Figures(CurrencyUnit.GBP, ZoneOffset.UTC, Locale.UK), LookbackWindows.usual())
                .text();
    }

    @Test
    void within_the_window_its_credit_is_still_being_worked_out() {
        for (Duration before : List.of(WINDOW, Duration.ofDays(1), Duration.ZERO, Duration.ofMinutes(-5))) {
            assertThat(said("person", BOOKED.minus(before)))
                    .as(before.toString())
                    .endsWith("Its credit is still being worked out.");
        }
    }

    @Test
    void outside_of_it_and_after_the_outcome_it_earns_none() {
        assertThat(said("person", BOOKED.minus(WINDOW).minusSeconds(1)))
                .endsWith("The visit earns no credit: it lies outside the lookback window.");
        assertThat(said("person", BOOKED.plus(Duration.ofMinutes(5)).plusSeconds(1)))
                .endsWith("The visit earns no credit: it came after the booking.");
        assertThat(said("preview", BOOKED.minusSeconds(60))).endsWith("The visit earns no credit: it was a preview.");
    }
}

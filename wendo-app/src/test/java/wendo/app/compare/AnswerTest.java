package wendo.app.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import wendo.app.site.Figures;
import wendo.core.links.Channel;
import wendo.core.outcomes.OutcomeKind;

class AnswerTest {
    private static final Figures FIGURES = new Figures(CurrencyUnit.GBP, ZoneId.of("Europe/London"), Locale.UK);

    private static ComparedSource source(String name, long bookings, long spendMinor) {
        return new ComparedSource(
                Optional.of(new UUID(0, name.hashCode())),
                name,
                Optional.of(Channel.AD),
                1000,
                1000,
                Map.of(OutcomeKind.BOOKING, new Credited(bookings * 1_000_000, bookings)),
                bookings * 100,
                Optional.of(spendMinor).filter(minor -> minor > 0));
    }

    private static Comparison comparison(ComparedSource... rows) {
        long bookings = List.of(rows).stream()
                .mapToLong(row -> row.credited(OutcomeKind.BOOKING).millionths() / 1_000_000)
                .sum();
        long spend = List.of(rows).stream()
                .mapToLong(row -> row.spendMinor().orElse(0L))
                .sum();
        return new Comparison(List.of(rows), source("All sources", bookings, spend), 0);
    }

    private static Answer answer(ComparedSource... rows) {
        return Answer.of(comparison(rows), CompareChoice.usual(), FIGURES);
    }

    @Test
    void only_sources_whose_whole_interval_is_on_one_side_are_named() {
        Answer answer = answer(source("Cheap", 100, 100_000), source("Dear", 20, 400_000), source("Unclear", 2, 9_000));
        assertThat(answer.headline())
                .isEqualTo("One source brings a booking for clearly less than the average, one for clearly more.");
        assertThat(answer.cheaper()).isEqualTo("Cheap £10.00");
        assertThat(answer.dearer()).isEqualTo("Dear £200");
        assertThat(answer.detail())
                .isEqualTo("A booking costs £41.72 on average over the 3 sources with spend, by last non-direct. "
                        + "For one other it is too early to tell: the 95 % interval includes the average.");
    }

    @Test
    void three_lucky_bookings_are_no_winner() {
        assertThat(answer(source("Lucky", 3, 3_000), source("Slow", 6, 18_000)).headline())
                .startsWith("No source stands out yet");
    }

    @Test
    void spend_that_brought_nothing_can_be_clearly_dear() {
        Answer answer = answer(source("Barren", 0, 90_000), source("Good", 100, 100_000));
        assertThat(answer.dearer()).isEqualTo("Barren (none yet)");
    }

    @Test
    void without_spend_or_outcomes_it_says_what_is_missing() {
        assertThat(answer(source("A", 5, 0)).detail()).contains("Enter what each source cost under Spend");
        assertThat(answer(source("A", 0, 5)).headline()).isEqualTo("No booking came in this period.");
        assertThat(answer(source("A", 0, 5), source("B", 5, 0)).detail())
                .isEqualTo("The sources with spend brought no booking in this period.");
    }

    @Test
    void bookings_that_nothing_was_paid_for_do_not_bend_the_average() {
        assertThat(answer(source("Paid", 10, 100_000), source("Free", 10, 0)).detail())
                .startsWith(
                        "A booking costs £100.00 on average over the one source with spend, by last non-direct (£50.00 with those of no known or no paid source).");
    }
}

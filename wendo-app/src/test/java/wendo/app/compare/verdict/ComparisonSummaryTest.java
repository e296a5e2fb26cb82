package wendo.app.compare.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Judged;
import wendo.app.compare.table.Rows;
import wendo.app.money.targets.Target;
import wendo.app.money.targets.Targets;
import wendo.core.outcomes.OutcomeKind;

class ComparisonSummaryTest {
    private static ComparedRow source(String name, long bookings, long spendMinor) {
        return Rows.row(name, 1000, bookings, spendMinor);
    }

    private static List<String> groups(ComparisonSummary answer) {
        return answer.groups().stream()
                .map(group -> group.label() + ": " + group.inLine())
                .toList();
    }

    private static ComparisonSummary answer(ComparedRow... rows) {
        return ComparisonSummary.of(Rows.comparison(Targets.All.NONE, rows), CompareChoice.usual(), Rows.FIGURES);
    }

    @Test
    void only_sources_whose_whole_interval_is_on_one_side_are_named() {
        ComparisonSummary answer =
                answer(source("Cheap", 100, 100_000), source("Dear", 20, 400_000), source("Unclear", 2, 9_000));
        assertThat(answer.headline())
                .isEqualTo(
                        "1 source costs clearly less per booking than the average, 1 clearly more. Set a limit to see which are earning.");
        assertThat(groups(answer))
                .containsExactly("Clearly below average: Cheap £10.00", "Clearly above average: Dear £200");
        assertThat(answer.detail())
                .isEqualTo("A booking costs £41.72 on average over the 3 sources with spend, by last non-direct.");
    }

    @Test
    void three_lucky_bookings_are_no_winner() {
        assertThat(answer(source("Lucky", 3, 3_000), source("Slow", 6, 18_000)).headline())
                .isEqualTo(
                        "No sources stand out: each cost per booking could be the average. Set a limit to see which are earning.");
    }

    @Test
    void spend_that_brought_nothing_can_be_clearly_dear() {
        ComparisonSummary answer = answer(source("Barren", 0, 90_000), source("Good", 100, 100_000));
        assertThat(groups(answer)).contains("Clearly above average: Barren none yet");
    }

    @Test
    void without_spend_or_outcomes_it_says_what_is_missing() {
        assertThat(answer(source("A", 5, 0)).detail()).contains("Add what each source cost under Spend");
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

    private static ComparisonSummary held(Target target, ComparedRow... rows) {
        return ComparisonSummary.of(
                Rows.comparison(new Targets.All(target, Map.of()), rows), CompareChoice.usual(), Rows.FIGURES);
    }

    private static Target costing(long minor) {
        return new Target(Map.of(OutcomeKind.BOOKING, minor), OptionalInt.empty());
    }

    @Test
    void where_it_is_said_what_a_booking_may_cost_sources_earn_or_lose() {
        ComparisonSummary answer = held(
                costing(4_000),
                source("Cheap", 100, 100_000),
                source("Dear", 20, 400_000),
                source("Unclear", 2, 9_000));
        assertThat(answer.headline()).isEqualTo("1 source is earning, 1 is losing. 1 needs more data.");
        assertThat(groups(answer))
                .containsExactly("Earning: Cheap £10.00", "Losing: Dear £200", "Need more data: Unclear £45.00");
        assertThat(held(costing(200_000), source("Cheap", 100, 100_000)).headline())
                .isEqualTo("1 source is earning.");
        assertThat(held(costing(10), source("A", 100, 100_000), source("B", 100, 90_000))
                        .headline())
                .isEqualTo("2 sources are losing.");
        assertThat(held(costing(1_000), source("A", 5, 5_000)).headline())
                .isEqualTo("Too early to say: 1 source needs more data.");
    }

    /** Cheap and Dear have limits of their own; the others are searched among themselves. */
    @Test
    void what_has_a_target_and_what_has_none_never_share_a_count() {
        Targets.All targets = new Targets.All(
                Target.NONE,
                Map.of(
                        new java.util.UUID(0, "Cheap".hashCode()), costing(4_000),
                        new java.util.UUID(0, "Dear".hashCode()), costing(4_000)));
        ComparisonSummary answer = ComparisonSummary.of(
                Rows.comparison(
                        targets,
                        source("Cheap", 100, 100_000),
                        source("Dear", 20, 400_000),
                        source("Also dear", 20, 400_000),
                        source("Usual", 50, 260_000)),
                CompareChoice.usual(),
                Rows.FIGURES);
        assertThat(answer.headline())
                .isEqualTo("1 source is earning, 1 is losing. "
                        + "Without a limit: 1 source costs clearly more per booking than the average.");
        assertThat(groups(answer))
                .containsExactly("Earning: Cheap £10.00", "Losing: Dear £200", "Clearly above average: Also dear £200");
    }

    /** Each booking is worth 1 pound, so at a margin of 40 % it breaks even at 40 pence. */
    @Test
    void the_margin_says_what_a_booking_may_cost_where_no_amount_does() {
        Comparison comparison = Rows.comparison(
                new Targets.All(
                        new Target(Map.of(), OptionalInt.of(40)),
                        Map.of(new java.util.UUID(0, "Dear".hashCode()), costing(500_000))),
                source("Cheap", 100, 2_000),
                source("Dear", 20, 400_000));
        Judged cheap = comparison.judged(comparison.rows().get(0), OutcomeKind.BOOKING);
        assertThat(cheap.against(Rows.FIGURES)).isEqualTo("break-even £0.40");
        assertThat(cheap.words()).isEqualTo("earning");
        Judged dear = comparison.judged(comparison.rows().get(1), OutcomeKind.BOOKING);
        assertThat(dear.against(Rows.FIGURES)).isEqualTo("limit £5,000.00, set for this source");
        assertThat(dear.words()).isEqualTo("earning");
    }

    @Test
    void sources_without_spend_are_said_to_be_missing() {
        assertThat(answer(source("Paid", 10, 100_000), source("Free", 10, 0), source("Bare", 0, 0))
                        .detail())
                .endsWith("No spend entered for Free and 1 more, so they are not judged.");
    }

    /** Where no spend can be known, rates are held against all others: 60 of 1,000 against 25 of 2,000. */
    @Test
    void by_country_it_says_whose_rate_differs() {
        Comparison sources = Rows.comparison(
                Targets.All.NONE, source("Ireland", 60, 0), source("Wales", 15, 0), source("France", 10, 0));
        Comparison countries = new Comparison(Grouping.COUNTRY, sources.rows(), sources.total(), 0, Targets.All.NONE);
        ComparisonSummary answer = ComparisonSummary.of(countries, CompareChoice.usual(), Rows.FIGURES);
        assertThat(groups(answer)).containsExactly("More often: Ireland 6.0%", "Less often: Wales 1.5%, France 1.0%");
        assertThat(answer.headline())
                .isEqualTo("Visits of some countries bring a booking clearly more often than those of others.");
    }
}

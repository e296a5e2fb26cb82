package wendo.core.partners;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.partners.CommissionLedger.Change;
import wendo.core.partners.CommissionLedger.Entry;
import wendo.core.partners.CommissionLedger.Owed;
import wendo.core.partners.CommissionTiers.Measure;
import wendo.core.partners.CommissionTiers.Reach;
import wendo.core.partners.CommissionTiers.Tier;
import wendo.core.partners.MonthCommission.Earning;

/** Rules of our own (RULES, "Commission"), worked by hand. */
class CommissionLedgerTest {
    private static final LocalDate LONG_AGO = LocalDate.of(2020, 1, 1);

    private static CommissionTerms tenPercent() {
        return CommissionTerms.of(OutcomeKind.PURCHASE, CommissionTiers.flat(CommissionRate.Percent.of("10")));
    }

    private static Owed owed(int number, String day, long minor, Change... changes) {
        return new Owed(
                new Earning(new UUID(0, number), OutcomeKind.PURCHASE, LocalDate.parse(day), Worth.of(minor), true),
                List.of(changes));
    }

    private static Change change(String day, long kept) {
        return new Change(LocalDate.parse(day), kept);
    }

    private static List<String> told(List<Entry> entries) {
        return entries.stream()
                .map(entry -> "%s %s %s %d"
                        .formatted(entry.outcome().getLeastSignificantBits(), entry.day(), entry.kind(), entry.minor()))
                .toList();
    }

    private static List<Entry> of(CommissionTerms terms, Owed... month) {
        return CommissionLedger.of(List.of(month), day -> Optional.of(terms));
    }

    /** Months of 28 to 31 days: what comes back on the last day shrinks the line, on the next day it is one of its own. */
    @ParameterizedTest
    @CsvSource({
        "2026-02-10,2026-02-28,2026-03-01",
        "2024-02-10,2024-02-29,2024-03-01",
        "2026-04-10,2026-04-30,2026-05-01",
        "2026-12-10,2026-12-31,2027-01-01"
    })
    void a_refund_in_the_month_shrinks_its_line_and_a_later_one_is_a_line_of_the_day_it_came(
            String day, String last, String next) {
        assertThat(told(of(tenPercent(), owed(1, day, 10_000, change(last, 4_000)))))
                .containsExactly("1 %s EARNED 400".formatted(day));
        assertThat(told(of(tenPercent(), owed(1, day, 10_000, change(next, 4_000)))))
                .containsExactly("1 %s EARNED 1000".formatted(day), "1 %s ADJUSTED -600".formatted(next));
    }

    @Test
    void each_later_month_with_a_change_has_a_line_of_its_own() {
        Owed twice = owed(1, "2026-05-30", 10_000, change("2026-06-02", 5_000), change("2026-08-01", 0));
        assertThat(told(of(tenPercent(), twice)))
                .containsExactly(
                        "1 2026-05-30 EARNED 1000", "1 2026-06-02 ADJUSTED -500", "1 2026-08-01 ADJUSTED -500");
        Owed raised = owed(1, "2026-05-30", 10_000, change("2026-06-02", 5_000), change("2026-06-20", 12_000));
        assertThat(told(of(tenPercent(), raised)))
                .containsExactly("1 2026-05-30 EARNED 1000", "1 2026-06-20 ADJUSTED 200");
    }

    /** All of a month earns by the tier that it reaches; a refund that drops it below takes back of the others too. */
    @Test
    void where_a_refund_drops_the_month_to_a_lower_tier_the_others_are_adjusted_on_its_day() {
        CommissionTerms whole = CommissionTerms.of(
                OutcomeKind.PURCHASE,
                new CommissionTiers(
                        Measure.VALUE,
                        Reach.WHOLE,
                        List.of(
                                new Tier(0, CommissionRate.Percent.of("5")),
                                new Tier(15_000, CommissionRate.Percent.of("10")))));
        assertThat(told(of(
                        whole, owed(1, "2026-05-03", 10_000), owed(2, "2026-05-04", 10_000, change("2026-06-09", 0)))))
                .containsExactly(
                        "1 2026-05-03 EARNED 1000",
                        "1 2026-06-09 ADJUSTED -500",
                        "2 2026-05-04 EARNED 1000",
                        "2 2026-06-09 ADJUSTED -1000");
    }

    @Test
    void what_went_out_is_never_changed_but_made_up_for_by_the_first_line_after_it() {
        List<Entry> wanted = of(tenPercent(), owed(1, "2026-05-30", 10_000, change("2026-05-31", 6_000)));
        LocalDate june = LocalDate.of(2026, 6, 1);
        assertThat(told(CommissionLedger.open(wanted, Map.of(new UUID(0, 1), 1_000L), june)))
                .containsExactly("1 2026-06-01 ADJUSTED -400");
        assertThat(CommissionLedger.open(wanted, Map.of(new UUID(0, 1), 600L), june))
                .isEmpty();
    }

    @Test
    void an_outcome_that_is_told_late_counts_on_the_first_open_day() {
        List<Entry> wanted = of(tenPercent(), owed(1, "2026-05-30", 10_000));
        assertThat(told(CommissionLedger.open(wanted, Map.of(), LocalDate.of(2026, 7, 1))))
                .containsExactly("1 2026-07-01 EARNED 1000");
    }

    @Test
    void what_is_the_partners_no_more_is_taken_back_where_it_went_out() {
        assertThat(told(CommissionLedger.open(List.of(), Map.of(new UUID(0, 9), 700L), LocalDate.of(2026, 7, 1))))
                .containsExactly("9 2026-07-01 ADJUSTED -700");
    }

    /** Held for 14 days after the outcome; what is taken back counts at once. */
    @Test
    void a_line_is_due_when_it_is_held_no_more() {
        List<Entry> entries = of(tenPercent().withHeldDays(14), owed(1, "2026-05-30", 10_000, change("2026-06-02", 0)));
        assertThat(entries.stream().map(Entry::dueFrom))
                .containsExactly(LocalDate.of(2026, 6, 13), LocalDate.of(2026, 6, 2));
    }

    /** What happens to one partner: outcomes, refunds, corrections, and statements between them. */
    private static final class Year {
        private final Random random;
        private final Function<LocalDate, Optional<CommissionTerms>> terms;
        private final Map<UUID, Owed> outcomes = new HashMap<>();
        private final List<Entry> sent = new ArrayList<>();
        private LocalDate firstOpen = LONG_AGO;

        Year(long seed, Function<LocalDate, Optional<CommissionTerms>> terms) {
            this.random = new Random(seed);
            this.terms = terms;
        }

        private List<Entry> wanted() {
            return outcomes.values().stream()
                    .collect(Collectors.groupingBy(
                            owed -> YearMonth.from(owed.first().day())))
                    .values()
                    .stream()
                    .flatMap(month -> CommissionLedger.of(month, terms).stream())
                    .toList();
        }

        private Map<UUID, Long> settled() {
            return sent.stream().collect(Collectors.groupingBy(Entry::outcome, Collectors.summingLong(Entry::minor)));
        }

        private List<Entry> open() {
            return CommissionLedger.open(wanted(), settled(), firstOpen);
        }

        void happen(LocalDate today) {
            int what = random.nextInt(10);
            if (what < 5 || outcomes.isEmpty()) {
                int late = random.nextInt(4) == 0 ? random.nextInt(60) : 0;
                UUID id = new UUID(19, outcomes.size());
                outcomes.put(
                        id,
                        new Owed(
                                new Earning(
                                        id,
                                        OutcomeKind.PURCHASE,
                                        today.minusDays(late),
                                        Worth.of(1 + random.nextInt(30_000)),
                                        random.nextInt(3) > 0),
                                List.of()));
            } else if (what < 8) {
                UUID id = new UUID(19, random.nextInt(outcomes.size()));
                Owed owed = java.util.Objects.requireNonNull(outcomes.get(id));
                List<Change> changes = new ArrayList<>(owed.changes());
                changes.add(new Change(
                        today, random.nextInt((int) owed.first().worth().valueMinor() + 1)));
                outcomes.put(id, new Owed(owed.first(), changes));
            } else if (what == 8) {
                LocalDate next = today.withDayOfMonth(1);
                open().stream().filter(entry -> entry.day().isBefore(next)).forEach(sent::add);
                firstOpen = next.isAfter(firstOpen) ? next : firstOpen;
            }
        }

        /** Each outcome's lines add up to what it earns by all that is known of it. */
        void mustAddUp() {
            Map<UUID, Long> lines = settled();
            open().forEach(entry -> lines.merge(entry.outcome(), entry.minor(), Long::sum));
            Map<UUID, Long> earned = new HashMap<>();
            outcomes.values().stream()
                    .collect(Collectors.groupingBy(
                            owed -> YearMonth.from(owed.first().day())))
                    .values()
                    .forEach(month -> MonthCommission.of(
                                    month.stream()
                                            .map(owed -> owed.changes().isEmpty()
                                                    ? owed.first()
                                                    : owed.first()
                                                            .withKept(owed.changes()
                                                                    .get(owed.changes()
                                                                                    .size()
                                                                            - 1)
                                                                    .keptMinor()))
                                            .toList(),
                                    terms)
                            .lines()
                            .forEach(line -> earned.put(line.earning().outcome(), line.minor())));
            assertThat(lines).isEqualTo(earned);
            assertThat(open()).allSatisfy(entry -> assertThat(entry.day()).isAfterOrEqualTo(firstOpen));
        }
    }

    @Test
    void in_any_order_of_events_the_lines_of_an_outcome_add_up_to_what_it_earns() {
        CommissionTerms flat = tenPercent().withMostPerOutcome(2_000).withFirstOnly();
        CommissionTerms tiers = CommissionTerms.of(
                        OutcomeKind.PURCHASE,
                        new CommissionTiers(
                                Measure.VALUE,
                                Reach.WHOLE,
                                List.of(
                                        new Tier(0, CommissionRate.Percent.of("5")),
                                        new Tier(40_000, CommissionRate.Percent.of("7.5")))))
                .withMostPerMonth(9_000);
        LocalDate changed = LocalDate.of(2026, 5, 11);
        for (int seed = 0; seed < 60; seed++) {
            Year year = new Year(
                    seed,
                    day -> Optional.of(day.isBefore(changed) ? flat : tiers).filter(terms -> day.getDayOfYear() > 20));
            for (int day = 0; day < 200; day++) {
                year.happen(LocalDate.of(2026, 1, 5).plusDays(day));
            }
            year.mustAddUp();
        }
    }
}

package wendo.core.partners;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.partners.CommissionTiers.Measure;
import wendo.core.partners.CommissionTiers.Reach;
import wendo.core.partners.CommissionTiers.Tier;
import wendo.core.partners.MonthCommission.Earning;
import wendo.core.partners.MonthCommission.Line;
import wendo.core.partners.MonthCommission.Reason;

/** Rules of our own (RULES, "Commission"), worked by hand, and one table of the same shape that is published. */
class MonthCommissionTest {
    private static final LocalDate DAY = LocalDate.of(2026, 2, 28);

    private static CommissionRate percent(String share) {
        return CommissionRate.Percent.of(share);
    }

    private static CommissionTiers tiers(Measure by, Reach reach, Object... overAndRate) {
        List<Tier> tiers = new ArrayList<>();
        for (int i = 0; i < overAndRate.length; i += 2) {
            tiers.add(new Tier((Integer) overAndRate[i], (CommissionRate) overAndRate[i + 1]));
        }
        return new CommissionTiers(by, reach, tiers);
    }

    private static Earning sale(int number, long minor) {
        return new Earning(new UUID(0, number), OutcomeKind.PURCHASE, DAY, Worth.of(minor), true);
    }

    private static MonthCommission month(CommissionTerms terms, long... values) {
        return MonthCommission.of(
                IntStream.range(0, values.length)
                        .mapToObj(i -> sale(i, values[i]))
                        .toList(),
                day -> Optional.of(terms));
    }

    private static List<Long> minors(MonthCommission month) {
        return month.lines().stream().map(Line::minor).toList();
    }

    private static CommissionTerms of(CommissionTiers tiers) {
        return CommissionTerms.of(OutcomeKind.PURCHASE, tiers);
    }

    /**
     * Bands of value work as those of the income tax do: in 2024–25 nothing up to £12,570, 20 % up to £50,270, 40 % up to
     * £125,140 and 45 % above (gov.uk, "Income Tax rates and Personal Allowances"; the allowance is not tapered here). Of
     * £60,000 that is £7,540 + £3,892; from memory, to be looked up.
     */
    @ParameterizedTest
    @CsvSource({"1257000,0", "1257100,20", "5027000,754000", "6000000,1143200", "12514000,3748800", "12514100,3748845"})
    void each_part_of_a_value_earns_by_the_band_that_it_falls_in(long valueMinor, long minor) {
        CommissionTiers bands = tiers(
                Measure.VALUE,
                Reach.MARGINAL,
                0,
                percent("0"),
                1_257_000,
                percent("20"),
                5_027_000,
                percent("40"),
                12_514_000,
                percent("45"));
        assertThat(month(of(bands), valueMinor).totalMinor()).isEqualTo(minor);
    }

    /** However a value is cut into outcomes, its bands earn the same but for rounding each line. */
    @Test
    void bands_of_a_value_do_not_depend_on_how_it_is_cut() {
        CommissionTiers bands =
                tiers(Measure.VALUE, Reach.MARGINAL, 0, percent("5"), 10_000, percent("7.5"), 40_000, percent("10"));
        long whole = month(of(bands), 60_000).totalMinor();
        assertThat(whole).isEqualTo(500 + 2_250 + 2_000);
        Random random = new Random(19);
        for (int run = 0; run < 200; run++) {
            int parts = 1 + random.nextInt(12);
            long[] cut = new long[parts];
            long left = 60_000;
            for (int i = 0; i < parts - 1; i++) {
                cut[i] = random.nextInt((int) left + 1);
                left -= cut[i];
            }
            cut[parts - 1] = left;
            assertThat(month(of(bands), cut).totalMinor()).isBetween(whole - parts, whole + parts);
        }
    }

    @Test
    void by_count_each_outcome_earns_by_its_tier_or_all_by_the_one_that_is_reached() {
        Object[] rates = {0, percent("5"), 3, percent("8"), 5, percent("10")};
        long[] sales = {1000, 1000, 1000, 1000, 1000, 1000};
        assertThat(minors(month(of(tiers(Measure.COUNT, Reach.MARGINAL, rates)), sales)))
                .containsExactly(50L, 50L, 50L, 80L, 80L, 100L);
        for (int many = 1; many <= 6; many++) {
            long rate = many <= 3 ? 50 : many <= 5 ? 80 : 100;
            long[] some = java.util.Arrays.copyOf(sales, many);
            assertThat(minors(month(of(tiers(Measure.COUNT, Reach.WHOLE, rates)), some)))
                    .hasSize(many)
                    .containsOnly(rate);
        }
    }

    @Test
    void by_value_all_of_a_month_earns_by_the_tier_that_it_reaches() {
        CommissionTiers tiers = tiers(Measure.VALUE, Reach.WHOLE, 0, percent("5"), 10_000, percent("10"));
        assertThat(minors(month(of(tiers), 6_000, 4_000))).containsExactly(300L, 200L);
        assertThat(minors(month(of(tiers), 6_000, 4_001))).containsExactly(600L, 400L);
    }

    @Test
    void an_amount_is_earned_once_for_each_whatever_it_was_worth() {
        CommissionTerms terms = of(CommissionTiers.flat(new CommissionRate.Amount(700)));
        assertThat(minors(month(terms, 0, 1, 99_999))).containsExactly(700L, 700L, 700L);
    }

    /** 10 % of £0.05 is half a penny, and goes up; of £0.04 it goes down. */
    @Test
    void a_line_is_rounded_half_up_and_the_month_is_their_sum() {
        CommissionTerms terms = of(CommissionTiers.flat(percent("10")));
        MonthCommission month = month(terms, 5, 4, 5);
        assertThat(minors(month)).containsExactly(1L, 0L, 1L);
        assertThat(month.totalMinor()).isEqualTo(2);
    }

    /** £120.00 with 20 % tax is £100.00 without; of a value that does not come out even, half up. */
    @ParameterizedTest
    @CsvSource({"12000,20,10000", "11900,19,10000", "100,7,93", "1,20,1", "0,20,0", "107,7,100"})
    void tax_in_a_value_does_not_count(long value, String tax, long base) {
        CommissionTerms terms =
                of(CommissionTiers.flat(percent("100"))).withBase(CommissionBase.WHOLE.withTaxPercent(tax));
        assertThat(month(terms, value).lines().get(0).baseMinor()).isEqualTo(base);
    }

    /** £60.00 with £4.80 for delivery, of which £30.00 came back: half of the goods are left, £27.60; less 20 % tax, £23.00. */
    @Test
    void delivery_is_taken_off_in_proportion_to_what_is_left() {
        CommissionTerms terms = of(CommissionTiers.flat(percent("100")))
                .withBase(CommissionBase.WHOLE.withoutItsDelivery().withTaxPercent("20"));
        Earning half = new Earning(
                new UUID(0, 1), OutcomeKind.PURCHASE, DAY, new Worth(6_000, 3_000, 480, "Deck shoes"), true);
        assertThat(minors(MonthCommission.of(List.of(half), day -> Optional.of(terms))))
                .containsExactly(2_300L);
    }

    @ParameterizedTest
    @CsvSource({"Weekend course,1000", "2 × WEEKEND COURSE; lunch,1000", "Gift voucher,0", "'',0"})
    void where_items_are_named_an_outcome_must_have_one_of_them(String items, long minor) {
        CommissionTerms terms = of(CommissionTiers.flat(percent("10")))
                .withBase(CommissionBase.WHOLE.withItems("weekend course", "taster"));
        Earning sale =
                new Earning(new UUID(0, 1), OutcomeKind.PURCHASE, DAY, new Worth(10_000, 10_000, 0, items), true);
        Line line = MonthCommission.of(List.of(sale), day -> Optional.of(terms))
                .lines()
                .get(0);
        assertThat(line.minor()).isEqualTo(minor);
        assertThat(line.reason()).isEqualTo(minor > 0 ? Reason.BY_TERMS : Reason.NOT_AMONG_ITEMS);
    }

    /** Of £250.00 the first £100.00 earn 5 %, the next £150.00 8 %: what the line says adds up to what it earns. */
    @Test
    void a_line_tells_what_it_was_worked_out_of() {
        CommissionTiers bands = tiers(Measure.VALUE, Reach.MARGINAL, 0, percent("5"), 10_000, percent("8"));
        Line line = month(of(bands), 25_000).lines().get(0);
        assertThat(line.shares())
                .containsExactly(
                        new CommissionTiers.Share(10_000, percent("5")),
                        new CommissionTiers.Share(15_000, percent("8")));
        assertThat(line.baseMinor()).isEqualTo(25_000);
        assertThat(line.minor()).isEqualTo(500 + 1_200);
    }

    @Test
    void caps_hold_for_an_outcome_and_for_a_month() {
        CommissionTerms terms =
                of(CommissionTiers.flat(percent("10"))).withMostPerOutcome(400).withMostPerMonth(900);
        MonthCommission month = month(terms, 3_000, 9_000, 5_000, 100);
        assertThat(minors(month)).containsExactly(300L, 400L, 200L, 0L);
        assertThat(month.lines().stream().map(Line::reason))
                .containsExactly(Reason.BY_TERMS, Reason.CAPPED, Reason.CAPPED_BY_MONTH, Reason.CAPPED_BY_MONTH);
    }

    @Test
    void what_was_not_agreed_earns_nothing_and_says_why() {
        CommissionTerms terms =
                of(CommissionTiers.flat(percent("10"))).withFirstOnly().withHeldDays(14);
        LocalDate march = LocalDate.of(2026, 3, 1);
        List<Earning> month = List.of(
                new Earning(new UUID(0, 1), OutcomeKind.PURCHASE, DAY, Worth.of(1_000), true),
                new Earning(new UUID(0, 2), OutcomeKind.PURCHASE, DAY, Worth.of(1_000), false),
                new Earning(new UUID(0, 3), OutcomeKind.LEAD, DAY, Worth.of(1_000), true),
                new Earning(new UUID(0, 4), OutcomeKind.PURCHASE, march, Worth.of(1_000), true));
        MonthCommission earned =
                MonthCommission.of(month, day -> day.isBefore(march) ? Optional.of(terms) : Optional.empty());
        assertThat(earned.lines().stream().map(Line::reason))
                .containsExactly(Reason.BY_TERMS, Reason.NOT_FIRST, Reason.NOT_AGREED, Reason.NO_TERMS);
        assertThat(minors(earned)).containsExactly(100L, 0L, 0L, 0L);
        assertThat(earned.lines().get(0).dueFrom()).isEqualTo(LocalDate.of(2026, 3, 14));
    }

    /** An outcome earns by the version of its own day, in whatever order they were told. */
    @Test
    void new_terms_change_nothing_before_their_first_day() {
        LocalDate first = LocalDate.of(2026, 2, 15);
        CommissionTerms old = of(CommissionTiers.flat(percent("10")));
        CommissionTerms now = of(CommissionTiers.flat(percent("20")));
        List<Earning> month = new ArrayList<>();
        for (int day = 1; day <= 28; day++) {
            month.add(new Earning(
                    new UUID(0, day), OutcomeKind.PURCHASE, LocalDate.of(2026, 2, day), Worth.of(1_000), true));
        }
        Random random = new Random(7);
        for (int run = 0; run < 20; run++) {
            Collections.shuffle(month, random);
            MonthCommission earned = MonthCommission.of(month, day -> Optional.of(day.isBefore(first) ? old : now));
            assertThat(earned.totalMinor()).isEqualTo(14 * 100 + 14 * 200);
            assertThat(minors(earned).subList(0, 15)).endsWith(100L, 200L);
        }
    }

    /** All counts to 12, all flat shares in steps of 7 %, both reaches: nothing is earned that the terms do not give. */
    @Test
    void a_month_is_never_more_than_its_best_rate_nor_less_than_its_worst() {
        for (int count = 0; count <= 12; count++) {
            for (Reach reach : Reach.values()) {
                for (Measure by : Measure.values()) {
                    CommissionTiers tiers = tiers(by, reach, 0, percent("7"), 4, percent("14"), 900, percent("21"));
                    long[] sales =
                            IntStream.range(0, count).mapToLong(i -> 37L * i).toArray();
                    long value = java.util.Arrays.stream(sales).sum();
                    BigDecimal most = percent("21").of(value).add(BigDecimal.valueOf(count));
                    BigDecimal least = percent("7").of(value).subtract(BigDecimal.valueOf(count));
                    assertThat(BigDecimal.valueOf(month(of(tiers), sales).totalMinor()))
                            .isBetween(least, most);
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"-0.1", "100.001", "1.2345"})
    void a_share_that_cannot_be_is_refused(String share) {
        assertThatThrownBy(() -> percent(share))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(share);
    }

    @Test
    void tiers_begin_at_nothing_and_rise() {
        assertThatThrownBy(() -> tiers(Measure.COUNT, Reach.WHOLE, 1, percent("5")))
                .hasMessageContaining("begin at 0");
        assertThatThrownBy(() -> tiers(Measure.COUNT, Reach.WHOLE, 0, percent("5"), 3, percent("6"), 3, percent("7")))
                .hasMessageContaining("above the one before");
    }
}

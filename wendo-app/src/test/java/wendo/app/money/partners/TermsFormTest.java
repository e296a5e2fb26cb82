package wendo.app.money.partners;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.TealTours;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.TypedFields;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.partners.CommissionBase;
import wendo.core.partners.CommissionRate;
import wendo.core.partners.CommissionTerms;
import wendo.core.partners.CommissionTiers;

class TermsFormTest {
    private static final Business BUSINESS = TealTours.BUSINESS;
    private static final Figures FIGURES = new Figures(BUSINESS.currency(), BUSINESS.zone(), BUSINESS.locale());
    private static final LocalDate DAY = LocalDate.of(2026, 5, 3);

    private static CommissionRate rate(Random random) {
        return random.nextBoolean()
                ? new CommissionRate.Percent(BigDecimal.valueOf(1 + random.nextInt(99_999), 3))
                : new CommissionRate.Amount(1 + random.nextInt(90_000));
    }

    private static CommissionTerms terms(Random random) {
        Map<OutcomeKind, CommissionTiers> rates = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            List<CommissionTiers.Tier> tiers = new ArrayList<>(List.of(new CommissionTiers.Tier(0, rate(random))));
            for (int more = 0; more < random.nextInt(TermsForm.MORE_TIERS + 1); more++) {
                long over = tiers.get(tiers.size() - 1).over() + 1 + random.nextInt(9_000);
                tiers.add(new CommissionTiers.Tier(over, rate(random)));
            }
            rates.put(
                    kind,
                    new CommissionTiers(
                            CommissionTiers.Measure.values()[random.nextInt(2)],
                            CommissionTiers.Reach.values()[random.nextInt(2)],
                            tiers));
        }
        return new CommissionTerms(
                rates,
                new CommissionBase(BigDecimal.valueOf(random.nextInt(30)), false, List.of("course", "gift voucher")),
                random.nextBoolean() ? OptionalLong.empty() : OptionalLong.of(1 + random.nextInt(50_000)),
                random.nextBoolean() ? OptionalLong.empty() : OptionalLong.of(1 + random.nextInt(50_000)),
                random.nextBoolean(),
                random.nextInt(366));
    }

    /** What was agreed fills the next form; saved as it stands, it agrees to the same. */
    @Test
    void a_form_that_is_filled_from_terms_agrees_to_the_same_terms() {
        Random random = new Random(11);
        for (int run = 0; run < 300; run++) {
            AgreedTerms agreed = new AgreedTerms(TermsWay.CODE, DAY, Optional.empty(), terms(random));
            TermsForm form = TermsForm.of(DAY, agreed, BUSINESS);
            TermsForm.Judged judged = TermsForm.check(form.typed(), BUSINESS, LocalDate.EPOCH);
            assertThat(judged.form().faults()).isEmpty();
            assertThat(judged.agreed().get(0).terms().rates().keySet()).hasSize(4);
            assertThat(TermsWords.of(judged.agreed().get(0).terms(), FIGURES))
                    .isEqualTo(TermsWords.of(agreed.terms(), FIGURES));
        }
    }

    /** The same for the database's way to keep rates. */
    @Test
    void rates_are_read_as_they_were_kept() {
        Random random = new Random(12);
        for (int run = 0; run < 300; run++) {
            Map<OutcomeKind, CommissionTiers> rates = terms(random).rates();
            String kept = RatesText.of(rates);
            assertThat(RatesText.of(RatesText.read(kept))).isEqualTo(kept);
            assertThat(kept.length()).isLessThan(2000);
        }
        assertThat(RatesText.of(Map.of(OutcomeKind.BOOKING, CommissionTiers.flat(CommissionRate.Percent.of("12.50")))))
                .isEqualTo("booking count marginal 0=12.5%");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            rate.booking   | ten        | Enter a share like 10%
            rate.booking   | 100.001%   | Enter a share like 10%
            rate.booking   | -5%        | Enter a share like 10%
            rate.booking.1 | 5%         | Enter where this tier begins
            heldDays       | 366        | whole days from 0 to 365
            heldDays       | 1.5        | whole days from 0 to 365
            taxPercent     | 101        | a number from 0 to 100
            firstDay       | yesterday  | Choose a day
            lastDay        | 2026-05-02 | before the first
            mostPerMonth   | much       | Enter an amount
            """)
    void what_is_wrong_is_told_beside_its_field(String field, String typed, String said) {
        Map<String, String> fields =
                new HashMap<>(Map.of("firstDay", DAY.toString(), "rate.booking", "10%", "way", "both"));
        fields.put(field, typed);
        TermsForm.Judged judged = TermsForm.check(TypedFields.of(fields), BUSINESS, LocalDate.EPOCH);
        assertThat(judged.agreed()).isEmpty();
        assertThat(judged.form().faults().values())
                .anySatisfy(fault -> assertThat(fault).contains(said));
    }

    @Test
    void terms_begin_on_the_first_day_without_a_statement_at_the_earliest() {
        TypedFields typed = TypedFields.of(Map.of("firstDay", DAY.toString(), "rate.lead", "3.00", "way", "link"));
        assertThat(TermsForm.check(typed, BUSINESS, DAY).agreed()).hasSize(1);
        assertThat(TermsForm.check(typed, BUSINESS, DAY.plusDays(1)).form().faults())
                .containsOnlyKeys("firstDay");
    }

    /** The latest version that has begun holds, until its own last day. */
    @ParameterizedTest
    @CsvSource({"2026-04-30,", "2026-05-01,10", "2026-05-31,10", "2026-06-01,20", "2026-06-10,20", "2026-06-11,"})
    void a_version_ends_where_the_next_one_begins_or_on_its_last_day(LocalDate day, Integer percent) {
        List<AgreedTerms> all = List.of(
                new AgreedTerms(TermsWay.CODE, LocalDate.of(2026, 5, 1), Optional.empty(), flat("10")),
                new AgreedTerms(
                        TermsWay.CODE, LocalDate.of(2026, 6, 1), Optional.of(LocalDate.of(2026, 6, 10)), flat("20")));
        assertThat(AgreedTerms.on(day, TermsWay.CODE, all).map(AgreedTerms::terms))
                .isEqualTo(Optional.ofNullable(percent).map(share -> flat(String.valueOf(share))));
        assertThat(AgreedTerms.on(day, TermsWay.LINK, all)).isEmpty();
    }

    private static CommissionTerms flat(String percent) {
        return CommissionTerms.of(OutcomeKind.BOOKING, CommissionTiers.flat(CommissionRate.Percent.of(percent)));
    }
}

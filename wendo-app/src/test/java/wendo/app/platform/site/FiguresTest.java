package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;

/** Ways of writing: Unicode CLDR, as the Java platform ships it. */
class FiguresTest {
    private final Figures british = new Figures(CurrencyUnit.GBP, ZoneId.of("Europe/London"), Locale.UK);
    private final Figures german = new Figures(CurrencyUnit.EUR, ZoneId.of("Europe/Berlin"), Locale.GERMANY);
    private final Figures japanese = new Figures(CurrencyUnit.JPY, ZoneId.of("Asia/Tokyo"), Locale.US);

    @Test
    void money_is_written_to_the_penny_in_the_business_locale() {
        assertThat(british.money(123_456_789L)).isEqualTo("£1,234,567.89");
        assertThat(german.money(123_450L)).isEqualTo("1.234,50\u00a0€");
        assertThat(japanese.money(1_200L)).isEqualTo("¥1,200");
        assertThat(british.money(0.5)).as("half a penny").isEqualTo("£0.01");
    }

    @Test
    void in_tables_pennies_stand_below_a_hundred_only() {
        assertThat(british.moneyEach(0.4567)).as("two digits that count").isEqualTo("£0.0046");
        assertThat(british.moneyEach(12.34)).isEqualTo("£0.12");
        assertThat(british.moneyEach(12_345.6)).isEqualTo("£123.46");
        assertThat(british.moneyEach(0)).isEqualTo("£0.00");
        assertThat(british.moneyShort(9_999)).isEqualTo("£99.99");
        assertThat(british.moneyShort(10_000)).isEqualTo("£100");
        assertThat(british.moneyShort(123_456)).isEqualTo("£1,235");
    }

    /** Unicode CLDR 42, short dates: d/M/y for en-GB, d.M.y for de-DE, M/d/y for en-US, each with the year in full. */
    @Test
    void a_field_of_a_day_shows_it_as_the_business_writes_it_and_anything_else_as_it_was_typed() {
        assertThat(british.typedDay(LocalDate.of(2026, 5, 3))).isEqualTo("03/05/2026");
        assertThat(german.typedDay("2026-05-03")).isEqualTo("03.05.2026");
        assertThat(japanese.typedDay("2026-12-31")).isEqualTo("12/31/2026");
        assertThat(british.typedDay("someday")).isEqualTo("someday");
        assertThat(british.typedDay("2026-02-30")).isEqualTo("2026-02-30");
        assertThat(british.typedDay(null)).isEmpty();
        assertThat(british.dayPattern()).isEqualTo("dd/MM/yyyy");
    }

    /** Weeks begin on Monday in Britain and Germany, on Sunday in the United States (Unicode CLDR, weekData). */
    @Test
    void weeks_begin_on_the_day_of_the_locale() {
        assertThat(british.firstWeekday()).isEqualTo(1);
        assertThat(german.firstWeekday()).isEqualTo(1);
        assertThat(japanese.firstWeekday())
                .as("written as in the United States")
                .isZero();
        assertThat(british.weekday(DayOfWeek.SATURDAY)).isEqualTo("Sat");
    }

    @Test
    void days_and_times_are_the_business_own() {
        Instant lateInLondon = Instant.parse("2026-07-01T22:30:00Z");
        assertThat(british.time(lateInLondon)).isEqualTo("1 Jul 23:30");
        assertThat(german.dayOf(lateInLondon)).isEqualTo("2 Juli 2026");
        assertThat(british.day(LocalDate.of(2026, 5, 3))).isEqualTo("3 May 2026");
        assertThat(british.percent(0.01234)).isEqualTo("1.2%");
        assertThat(british.count(20_000)).isEqualTo("20,000");
    }
}

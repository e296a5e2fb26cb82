package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;

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
        assertThat(british.moneyShort(9_999)).isEqualTo("£99.99");
        assertThat(british.moneyShort(10_000)).isEqualTo("£100");
        assertThat(british.moneyShort(123_456)).isEqualTo("£1,235");
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

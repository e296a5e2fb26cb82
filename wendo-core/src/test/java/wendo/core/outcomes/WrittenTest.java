package wendo.core.outcomes;

import static org.assertj.core.api.Assertions.assertThat;

import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The other implementation that writes what is read here is the JDK's, by its locales (Unicode CLDR). */
class WrittenTest {

    @ParameterizedTest
    @CsvSource({"en-GB,POINT", "en-US,POINT", "de-DE,COMMA", "nl-NL,COMMA", "es-ES,COMMA", "da-DK,COMMA"})
    void amounts_of_any_size_are_read_as_their_locale_writes_them(String tag, AmountStyle style) {
        DecimalFormat format =
                new DecimalFormat("#,##0.00", DecimalFormatSymbols.getInstance(Locale.forLanguageTag(tag)));
        for (double amount : new double[] {0, 0.05, 7, 12.5, 999.99, 1000, 1234.56, 1234567.89}) {
            String cell = format.format(amount);
            assertThat(AmountStyle.detect(List.of(cell))).as(cell).hasValue(style);
            assertThat(style.plain("£ " + cell)).as(cell).isEqualTo(String.format(Locale.ROOT, "%.2f", amount));
        }
    }

    @Test
    void what_tells_nothing_or_two_things_is_not_guessed() {
        assertThat(AmountStyle.detect(List.of("12", "1.000", "", "x"))).isEmpty();
        assertThat(AmountStyle.detect(List.of("1.50", "1,50"))).isEmpty();
        assertThat(AmountStyle.detect(List.of("1.000", "2,5"))).hasValue(AmountStyle.COMMA);
        assertThat(AmountStyle.POINT.plain("1.000,50"))
                .as("left as it stands, to be refused")
                .isEqualTo("1.000,50");
        assertThat(AmountStyle.COMMA.plain("EUR 1.000")).isEqualTo("1000");
        assertThat(AmountStyle.POINT.plain("-5.00")).isEqualTo("-5.00");
    }

    /** Every day of a leap year and of one that is none. */
    @Test
    void days_are_read_in_the_order_they_were_written_in() {
        for (LocalDate day = LocalDate.of(2027, 1, 1); day.getYear() < 2029; day = day.plusDays(1)) {
            for (String pattern : List.of("dd/MM/yyyy", "d.M.yy", "dd-MM-yyyy")) {
                assertThat(DayOrder.DAY_FIRST.find(day.format(DateTimeFormatter.ofPattern(pattern))))
                        .hasValue(day.atTime(12, 0));
            }
            assertThat(DayOrder.MONTH_FIRST.find(day.format(DateTimeFormatter.ofPattern("M/d/yyyy"))))
                    .hasValue(day.atTime(12, 0));
            assertThat(DayOrder.DAY_FIRST.find(day.toString())).hasValue(day.atTime(12, 0));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "2026-05-03T14:02:09Z,2026-05-03T14:02:09",
        "03/05/2026 14:02,2026-05-03T14:02",
        "'3.5.26, 9:05',2026-05-03T09:05",
        "31/02/2026,",
        "3 May 2026,",
        "'',",
        "03/05/2026 25:00,"
    })
    void times_go_along_and_what_is_no_day_is_none(String cell, LocalDateTime at) {
        assertThat(DayOrder.DAY_FIRST.find(cell)).isEqualTo(Optional.ofNullable(at));
    }

    @Test
    void the_order_is_told_by_a_day_above_twelve_alone() {
        assertThat(DayOrder.detect(List.of("01/02/2026", "13/02/2026"))).hasValue(DayOrder.DAY_FIRST);
        assertThat(DayOrder.detect(List.of("01/02/2026", "02/13/2026"))).hasValue(DayOrder.MONTH_FIRST);
        assertThat(DayOrder.detect(List.of("2026-02-01"))).hasValue(DayOrder.YEAR_FIRST);
        assertThat(DayOrder.detect(List.of("01/02/2026"))).isEmpty();
        assertThat(DayOrder.detect(List.of("13/02/2026", "02/13/2026"))).isEmpty();
        assertThat(DayOrder.detect(List.of("soon"))).isEmpty();
    }
}

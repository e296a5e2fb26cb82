package wendo.core.outcomes;

import static org.assertj.core.api.Assertions.assertThat;

import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
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
                        .hasValue(alone(day));
            }
            assertThat(DayOrder.MONTH_FIRST.find(day.format(DateTimeFormatter.ofPattern("M/d/yyyy"))))
                    .hasValue(alone(day));
            for (DayOrder order : DayOrder.values()) {
                for (String pattern : List.of("yyyy-MM-dd", "yyyyMMdd", "d MMM yyyy", "dd-MMM-yy", "MMMM d, yyyy")) {
                    assertThat(order.find(day.format(DateTimeFormatter.ofPattern(pattern, Locale.UK))))
                            .as(pattern)
                            .hasValue(alone(day));
                }
            }
        }
    }

    private static WrittenTime alone(LocalDate day) {
        return new WrittenTime(day, Optional.empty(), Optional.empty());
    }

    /** Offsets: ISO 8601. Twelve o'clock: midnight is 12 AM, as the 12-hour clock has it. In May, London is at +01:00. */
    @ParameterizedTest
    @CsvSource({
        "2026-05-03T14:02:09Z,2026-05-03T14:02:09Z",
        "2026-05-03T14:02:09.123+02:00,2026-05-03T12:02:09Z",
        "2026-05-03 14:02 -0530,2026-05-03T19:32:00Z",
        "03/05/2026 14:02,2026-05-03T13:02:00Z",
        "'3.5.26, 9:05',2026-05-03T08:05:00Z",
        "03/05/2026 04:24 PM,2026-05-03T15:24:00Z",
        "03/05/2026 4 p.m.,2026-05-03T15:00:00Z",
        "03/05/2026 12:30am,2026-05-02T23:30:00Z",
        "03/05/2026 12:30 PM,2026-05-03T11:30:00Z",
        "'May 3, 2026 4:24:09 PM',2026-05-03T15:24:09Z",
        "31/02/2026,",
        "3 Foo 2026,",
        "'',",
        "03/05/2026 25:00,",
        "03/05/2026 16:24 PM,",
        "03/05/2026 0:24 AM,",
        "03/05/2026 14,",
        "03/05/2026 14:02 or so,",
        "13/13/2026,"
    })
    void times_go_along_and_what_is_no_day_is_none(String cell, Instant at) {
        assertThat(DayOrder.DAY_FIRST.find(cell).map(found -> found.in(ZoneId.of("Europe/London"))))
                .isEqualTo(Optional.ofNullable(at).map(Occurrence::at));
    }

    /** On the last Sunday of October a day in London has 25 hours (EU Directive 2000/84, kept by the UK). */
    @Test
    void a_day_alone_holds_all_its_touches_and_moves_no_known_time_of_it() {
        ZoneId london = ZoneId.of("Europe/London");
        Occurrence day = DayOrder.YEAR_FIRST.find("2026-10-25").orElseThrow().in(london);
        assertThat(day)
                .isEqualTo(new Occurrence(
                        Instant.parse("2026-10-24T23:00:00Z"), Instant.parse("2026-10-25T23:59:59.999999Z")));
        for (String within : List.of("2026-10-24T23:00:00Z", "2026-10-25T15:00:00Z", "2026-10-25T23:59:59.999999Z")) {
            Occurrence known = Occurrence.at(Instant.parse(within));
            assertThat(known.with(day)).as(within).isEqualTo(known);
            assertThat(day.with(known)).as("a time is better news").isEqualTo(known);
        }
        for (String without : List.of("2026-10-24T22:59:59.999999Z", "2026-10-26T00:00:00Z")) {
            assertThat(Occurrence.at(Instant.parse(without)).with(day)).isEqualTo(day);
        }
    }

    @Test
    void cells_that_contradict_a_layout_are_told() {
        assertThat(DayOrder.DAY_FIRST.contradiction(List.of("01/02/2026", "02/13/2026")))
                .hasValue("02/13/2026");
        assertThat(DayOrder.DAY_FIRST.contradiction(List.of("01/02/2026", "soon")))
                .isEmpty();
        assertThat(AmountStyle.POINT.contradiction(List.of("1,500.00", "1.500"), 2))
                .hasValue("1.500");
        assertThat(AmountStyle.COMMA.contradiction(List.of("1,500.00", "1.500"), 2))
                .hasValue("1,500.00");
        assertThat(AmountStyle.COMMA.contradiction(List.of("1.500", "2,50", "much"), 2))
                .isEmpty();
    }

    /** Signs: Unicode CLDR, as ICU4J ships it. */
    @ParameterizedTest
    @CsvSource({
        "12.00,'',true",
        "£12.00,£,true",
        "€12.00,€,false",
        "USD 12.00,USD,false",
        "12.00 gbp,gbp,true",
        "-£5,£,true",
        "$12,$,false",
        "12.00 zł,zł,false",
        "CHF 1’500.00,CHF,false"
    })
    void a_currency_beside_an_amount_is_noticed(String cell, String mark, boolean isOfPounds) {
        assertThat(AmountStyle.currency(cell)).isEqualTo(mark);
        assertThat(CurrencyMark.isOf(CurrencyUnit.GBP, Locale.UK, mark)).isEqualTo(isOfPounds);
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

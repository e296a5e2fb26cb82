package wendo.core.days;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TypedDayTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 8, 15);

    /** What each locale means by these is in Unicode CLDR 42, short dates: d/M/y, M/d/y, d.M.y, y-M-d, y/M/d. */
    @ParameterizedTest
    @CsvSource({
        "en-GB, 3 May, 2026-05-03",
        "en-GB, 3rd of May 2026, 2026-05-03",
        "en-GB, May 3, 2026-05-03",
        "en-GB, '  may   3rd, 2025 ', 2025-05-03",
        "en-GB, 3/5, 2026-05-03",
        "en-GB, 3/5/26, 2026-05-03",
        "en-GB, 03.05.2026, 2026-05-03",
        "en-GB, 2026-05-03, 2026-05-03",
        "en-GB, yesterday, 2026-08-14",
        "en-GB, Today, 2026-08-15",
        "en-GB, tomorrow, 2026-08-16",
        "en-GB, 2 Jan, 2027-01-02",
        "en-GB, 31/12, 2026-12-31",
        "en-GB, 15 Sept 2026, 2026-09-15",
        "en-US, 3/5, 2026-03-05",
        "en-US, 12/31/2026, 2026-12-31",
        "de-DE, 3. Mai, 2026-05-03",
        "de-DE, 3.5., 2026-05-03",
        "de-DE, 3.5.26, 2026-05-03",
        "de-DE, 14. März 2026, 2026-03-14",
        "de-DE, 3 May, 2026-05-03",
        "de-DE, gestern, 2026-08-14",
        "fr-FR, 14 juillet, 2026-07-14",
        "sv-SE, 2026-05-03, 2026-05-03",
        "en-GB, 29 Feb 2028, 2028-02-29"
    })
    void a_day_is_read_as_its_locale_writes_it(String locale, String typed, LocalDate day) {
        assertThat(new TypedDay(Locale.forLanguageTag(locale), TODAY).find(typed))
                .hasValue(day);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "soon",
                "32/1",
                "31 April",
                "3/13",
                "29 Feb 2027",
                "ma 3",
                "123-1-1",
                "2026-5",
                "3 Smarch",
                "1/1/202"
            })
    void anything_else_is_no_day(String typed) {
        assertThat(new TypedDay(Locale.UK, TODAY).find(typed)).isEmpty();
    }

    @Test
    void what_a_locale_writes_is_read_back_on_every_day_of_two_years() {
        for (Locale locale : new Locale[] {Locale.UK, Locale.US, Locale.GERMANY, Locale.FRANCE, Locale.JAPAN}) {
            TypedDay reader = new TypedDay(locale, TODAY);
            DateTimeFormatter writer = DateTimeFormatter.ofPattern(TypedDay.pattern(locale), locale);
            for (LocalDate day = TODAY.minusYears(1); day.isBefore(TODAY.plusYears(1)); day = day.plusDays(1)) {
                assertThat(reader.find(writer.format(day)))
                        .as("%s in %s", day, locale)
                        .hasValue(day);
            }
        }
    }

    /** A day without a year is never more than half a year away. */
    @Test
    void without_a_year_it_is_the_nearest() {
        for (LocalDate day = TODAY.minusDays(180); day.isBefore(TODAY.plusDays(180)); day = day.plusDays(1)) {
            assertThat(new TypedDay(Locale.UK, TODAY).find(day.getDayOfMonth() + "/" + day.getMonthValue()))
                    .hasValue(day);
        }
    }
}

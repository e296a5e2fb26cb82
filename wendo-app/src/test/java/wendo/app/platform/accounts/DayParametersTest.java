package wendo.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockHttpServletRequest;
import wendo.core.days.TypedDay;

class DayParametersTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 8, 15);

    private MockHttpServletRequest sent;
    private int asked;

    @BeforeEach
    void sends() {
        sent = new MockHttpServletRequest("POST", "/spend");
        asked = 0;
    }

    private DayParameters arrived() {
        return new DayParameters(sent, () -> {
            asked++;
            return new TypedDay(Locale.UK, TODAY);
        });
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "firstDay",
                "lastDay",
                "placedOn",
                "endsOn",
                "day",
                "from",
                "to",
                "until",
                "from.ola",
                "until.ola"
            })
    void a_field_of_a_day_arrives_as_a_day(String field) {
        sent.addParameter(field, "3 May");
        assertThat(arrived().getParameter(field)).isEqualTo("2026-05-03");
        assertThat(arrived().getParameterValues(field)).containsExactly("2026-05-03");
        assertThat(arrived().getParameterMap())
                .hasSize(1)
                .hasEntrySatisfying(field, values -> assertThat(values).containsExactly("2026-05-03"));
    }

    @Test
    void several_of_one_name_are_read_each() {
        sent.addParameter("day", "yesterday", "3/5/26", "someday");
        assertThat(arrived().getParameterValues("day")).containsExactly("2026-08-14", "2026-05-03", "someday");
    }

    /** What another field holds may look like a day: a fraction, a size, a name. */
    @ParameterizedTest
    @ValueSource(strings = {"note", "amount", "name", "toName", "fromage", "days", "today"})
    void any_other_field_arrives_as_it_was_sent(String field) {
        sent.addParameter(field, "3/5");
        assertThat(arrived().getParameter(field)).isEqualTo("3/5");
        assertThat(asked).isZero();
    }

    @ParameterizedTest
    @ValueSource(strings = {"soon", "09:30", "2026-05-01T10:00", "31 April", "019a0000-0000-7000-8000-000000000000"})
    void what_is_no_day_arrives_as_it_was_typed_for_the_form_to_refuse(String typed) {
        sent.addParameter("from", typed);
        assertThat(arrived().getParameter("from")).isEqualTo(typed);
    }

    @Test
    void an_empty_or_absent_field_asks_nobody_how_days_are_written() {
        sent.addParameter("from", " ");
        DayParameters arrived = arrived();
        assertThat(arrived.getParameter("from")).isEqualTo(" ");
        assertThat(arrived.getParameter("to")).isNull();
        assertThat(arrived.getParameterValues("to")).isNull();
        assertThat(asked).isZero();
    }

    @ParameterizedTest
    @CsvSource({
        "9, 09:00",
        "9:30, 09:30",
        "9.30, 09:30",
        "0930, 09:30",
        "9h30, 09:30",
        "23:59, 23:59",
        "2 pm, 14:00",
        "2:15pm, 14:15",
        "12 a.m., 00:00",
        "12pm, 12:00",
        "'', 00:00"
    })
    void a_day_and_a_time_arrive_as_one_moment(String time, String read) {
        sent.addParameter("due.day", "3 May");
        sent.addParameter("due.time", time);
        assertThat(arrived().getParameter("due")).isEqualTo("2026-05-03T" + read);
        assertThat(arrived().getParameterMap()).containsKeys("due", "due.day", "due.time");
    }

    @ParameterizedTest
    @CsvSource({
        "3 May, 25:00, 2026-05-03T25:00",
        "3 May, 9:60, 2026-05-03T9:60",
        "3 May, 13 pm, 2026-05-03T13 pm",
        "3 May, noon, 2026-05-03Tnoon",
        "soon, 9, soonT09:00",
        "'', 9, T09:00"
    })
    void what_is_no_moment_is_left_for_the_form_to_refuse(String day, String time, String arrives) {
        sent.addParameter("due.day", day);
        sent.addParameter("due.time", time);
        assertThat(arrived().getParameter("due")).isEqualTo(arrives);
    }

    @Test
    void without_day_and_time_there_is_no_moment_and_one_that_was_sent_whole_stays() {
        sent.addParameter("due.day", " ");
        sent.addParameter("due.time", "");
        sent.addParameter("first", "2026-05-03T10:00");
        assertThat(arrived().getParameter("due")).isEmpty();
        assertThat(arrived().getParameter("first")).isEqualTo("2026-05-03T10:00");
        assertThat(arrived().getParameter("last")).isNull();
    }

    /** A field that a page draws as a day, and that is not known for one here, would refuse what its calendar writes. */
    @Test
    void every_field_of_a_day_in_any_page_is_read_as_one() throws IOException {
        Pattern field = Pattern.compile("fields :: (?:date|day)\\(name='(\\w+)'");
        try (Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
            for (Path file :
                    files.filter(one -> one.toString().endsWith(".html")).toList()) {
                Matcher found = field.matcher(Files.readString(file));
                while (found.find()) {
                    assertThat(DayParameters.isDay(found.group(1)))
                            .as(file + ": " + found.group(1))
                            .isTrue();
                }
            }
        }
    }
}

package wendo.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Locale;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
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
}

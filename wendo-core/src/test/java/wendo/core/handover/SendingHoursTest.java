package wendo.core.handover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SendingHoursTest {
    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final SendingHours HOURS = SendingHours.usual(LONDON);

    /**
     * Clocks of Europe/London go forward on 29 March 2026 at 01:00 UTC and back on 25 October 2026 at 01:00 UTC (IANA time
     * zone database). The cut-off is 17:00, quiet hours are 20:00 to 08:00.
     */
    @ParameterizedTest
    @CsvSource({
        "2026-05-05T10:00+01:00,0,0,2026-05-05T10:00+01:00",
        "2026-05-05T16:59:59+01:00,0,1,2026-05-05T17:00:59+01:00",
        "2026-05-05T17:00+01:00,0,0,2026-05-06T08:00+01:00",
        "2026-05-05T23:30+01:00,0,15,2026-05-06T08:15+01:00",
        "2026-05-05T02:00+01:00,0,0,2026-05-05T08:00+01:00",
        "2026-05-05T15:00+01:00,0,299,2026-05-05T19:59+01:00",
        "2026-05-05T15:00+01:00,0,300,2026-05-06T08:00+01:00",
        "2026-05-05T15:00+01:00,2,0,2026-05-07T15:00+01:00",
        "2026-05-05T18:00+01:00,2,60,2026-05-08T09:00+01:00",
        "2026-03-28T10:00Z,1,0,2026-03-29T10:00+01:00",
        "2026-03-28T18:00Z,0,0,2026-03-29T08:00+01:00",
        "2026-03-28T16:00Z,0,1080,2026-03-29T11:00+01:00",
        "2026-10-24T10:00+01:00,1,0,2026-10-25T10:00Z",
        "2026-10-24T18:00+01:00,0,0,2026-10-25T08:00Z",
        "2026-10-24T16:00+01:00,0,1080,2026-10-25T09:00Z"
    })
    void steps_fall_due_in_the_businesss_own_time(String arrived, int days, int minutes, String due) {
        assertThat(HOURS.due(ZonedDateTime.parse(arrived).toInstant(), new Delay(days, minutes)))
                .isEqualTo(ZonedDateTime.parse(due).toInstant());
    }

    /** Every minute of the two nights on which clocks change, and of one on which they do not. */
    @Test
    void messages_are_only_ever_moved_later_and_never_into_quiet_hours() {
        for (String day : List.of("2026-03-28T00:00:00Z", "2026-10-24T00:00:00Z", "2026-07-01T00:00:00Z")) {
            Instant first = Instant.parse(day);
            for (int minute = 0; minute < 48 * 60; minute++) {
                Instant at = first.plusSeconds(60L * minute);
                ZonedDateTime due = HOURS.due(at, new Delay(0, 0)).atZone(LONDON);
                assertThat(due.toInstant()).isAfterOrEqualTo(at);
                assertThat(due.getHour()).isBetween(8, 19);
                assertThat(due.toLocalDate())
                        .isBeforeOrEqualTo(at.atZone(LONDON).toLocalDate().plusDays(1));
            }
        }
    }

    @Test
    void quiet_hours_may_lie_within_a_day_or_be_none() {
        SendingHours siesta =
                new SendingHours(LocalTime.of(23, 59), LocalTime.of(13, 0), LocalTime.of(15, 0), ZoneId.of("UTC"));
        assertThat(siesta.due(Instant.parse("2026-05-05T12:59:00Z"), new Delay(0, 0)))
                .isEqualTo("2026-05-05T12:59:00Z");
        assertThat(siesta.due(Instant.parse("2026-05-05T13:00:00Z"), new Delay(0, 0)))
                .isEqualTo("2026-05-05T15:00:00Z");
        SendingHours always =
                new SendingHours(LocalTime.of(23, 59), LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, ZoneId.of("UTC"));
        assertThat(always.due(Instant.parse("2026-05-05T03:00:00Z"), new Delay(0, 0)))
                .isEqualTo("2026-05-05T03:00:00Z");
        assertThatThrownBy(() -> new Delay(366, 0)).hasMessageContaining("0 to 365 days");
        assertThatThrownBy(() -> new Delay(0, -1)).hasMessageContaining("but was 0 and -1");
    }
}

package wendo.core.handover;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;

/**
 * When messages to a lead may go out, in the business's time zone. Quiet hours are half-open and may pass midnight; equal
 * ends mean that there are none. The cut-off is common practice, the rest ours.
 *
 * @param cutOff a lead that arrives at or after it starts its plan on the next calendar day, when quiet hours end
 */
public record SendingHours(LocalTime cutOff, LocalTime quietFrom, LocalTime quietUntil, ZoneId zone) {

    public static SendingHours usual(ZoneId zone) {
        return new SendingHours(LocalTime.of(17, 0), LocalTime.of(20, 0), LocalTime.of(8, 0), zone);
    }

    /** When a step is due: its delay after the plan's start, and later only as far as quiet hours move it. */
    public Instant due(Instant leadAt, Delay delay) {
        ZonedDateTime wanted = starts(leadAt).plusDays(delay.days()).plusMinutes(delay.minutes());
        return outsideQuiet(wanted).toInstant();
    }

    private ZonedDateTime starts(Instant leadAt) {
        ZonedDateTime arrived = leadAt.atZone(zone);
        return arrived.toLocalTime().isBefore(cutOff)
                ? arrived
                : arrived.toLocalDate().plusDays(1).atTime(quietUntil).atZone(zone);
    }

    /** The same moment, or the end of the quiet hours it falls in. */
    public ZonedDateTime outsideQuiet(ZonedDateTime wanted) {
        LocalTime time = wanted.toLocalTime();
        if (!isQuiet(time)) {
            return wanted;
        }
        boolean isEvening = quietFrom.isAfter(quietUntil) && !time.isBefore(quietFrom);
        return wanted.toLocalDate()
                .plusDays(isEvening ? 1 : 0)
                .atTime(quietUntil)
                .atZone(zone);
    }

    private boolean isQuiet(LocalTime time) {
        if (quietFrom.equals(quietUntil)) {
            return false;
        }
        return quietFrom.isBefore(quietUntil)
                ? !time.isBefore(quietFrom) && time.isBefore(quietUntil)
                : !time.isBefore(quietFrom) || time.isBefore(quietUntil);
    }
}

package wendo.core.credit;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import wendo.core.visits.Touch;

/**
 * The touches of one person that may earn an outcome, earliest first: at or before it, and within the lookback window
 * of their channel.
 */
public record Trail(Instant outcomeAt, List<Touch> touches) {

    public Trail {
        touches = touches.stream()
                .sorted(Comparator.comparing(Touch::startedAt).thenComparing(Touch::id))
                .toList();
    }

    public static Trail before(Instant outcomeAt, List<Touch> touchesOfPerson, LookbackWindows windows) {
        return new Trail(
                outcomeAt,
                touchesOfPerson.stream()
                        .filter(touch -> !touch.startedAt().isAfter(outcomeAt))
                        .filter(touch -> !touch.startedAt().isBefore(outcomeAt.minus(windows.of(touch.channel()))))
                        .toList());
    }
}

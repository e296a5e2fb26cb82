package wendo.core.visits;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import wendo.core.links.Channel;

/**
 * One or more visits by one person to one source, each less than 30 minutes after the one before: what credit is given
 * to.
 *
 * @param source {@link #DIRECT} if the person came without any
 * @param id of the visit, or other step, that it began with
 */
public record Touch(UUID source, Channel channel, UUID id, Instant startedAt) {
    /** Stands for no source: the person came directly. */
    public static final UUID DIRECT = new UUID(0, 0);

    /** The gap that ends a touch. Common practice: the 30-minute session. */
    public static final Duration GAP = Duration.ofMinutes(30);

    /** One visit of a person, as touches are made of them. */
    public record Step(UUID source, Channel channel, UUID id, Instant at) {}

    /** The touches that one person's visits join into, earliest first. */
    public static List<Touch> join(List<Step> visitsOfOnePerson) {
        List<Touch> touches = new ArrayList<>();
        Map<UUID, Instant> lastSeen = new HashMap<>();
        visitsOfOnePerson.stream()
                .sorted(Comparator.comparing(Step::at).thenComparing(Step::id))
                .forEach(step -> {
                    Instant before = lastSeen.put(step.source(), step.at());
                    if (before == null || !step.at().isBefore(before.plus(GAP))) {
                        touches.add(new Touch(step.source(), step.channel(), step.id(), step.at()));
                    }
                });
        return List.copyOf(touches);
    }

    public boolean isDirect() {
        return source.equals(DIRECT);
    }
}

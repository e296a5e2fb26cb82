package wendo.core.credit;

import java.time.Duration;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import wendo.core.links.Channel;

/** How long before an outcome a touch of each channel may still earn credit, in days. */
public record LookbackWindows(Map<Channel, Integer> days) {
    public static final int MAX_DAYS = 730;

    public LookbackWindows {
        days.forEach((channel, count) -> {
            if (count < 1 || count > MAX_DAYS) {
                throw new IllegalArgumentException("The window of %s must be 1 to %d days, but was %d"
                        .formatted(channel.label(), MAX_DAYS, count));
            }
        });
        Map<Channel, Integer> all = new EnumMap<>(Channel.class);
        for (Channel channel : Channel.values()) {
            all.put(channel, days.getOrDefault(channel, channel.lookbackDays()));
        }
        days = Collections.unmodifiableMap(all);
    }

    /** Each channel's usual window. */
    public static LookbackWindows usual() {
        return new LookbackWindows(Map.of());
    }

    public Duration of(Channel channel) {
        return Duration.ofDays(days.getOrDefault(channel, channel.lookbackDays()));
    }

    /** The longest of all channels. */
    public Duration longest() {
        return Duration.ofDays(
                days.values().stream().mapToInt(Integer::intValue).max().orElseThrow());
    }
}

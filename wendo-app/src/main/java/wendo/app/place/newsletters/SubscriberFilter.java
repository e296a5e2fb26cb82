package wendo.app.place.newsletters;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import wendo.app.platform.site.FilterValues;

/**
 * Which subscribers a list shows, as it stands in the address.
 *
 * @param link those of one link
 * @param days those who subscribed within so many days; 0 for all
 */
record SubscriberFilter(String find, State state, Optional<UUID> source, Optional<UUID> link, int days) {
    static final List<Integer> DAYS = List.of(7, 28, 90, 365);

    /** Whether their consent to e-mail news stands. */
    enum State {
        SUBSCRIBED,
        WITHDRAWN,
        ALL
    }

    static SubscriberFilter of(Function<String, String> parameter) {
        return new SubscriberFilter(
                FilterValues.text(parameter.apply("find")),
                FilterValues.one(State.values(), parameter.apply("state")).orElse(State.SUBSCRIBED),
                FilterValues.id(parameter.apply("source")),
                FilterValues.id(parameter.apply("link")),
                DAYS.stream()
                        .filter(one -> one.toString().equals(parameter.apply("days")))
                        .findFirst()
                        .orElse(0));
    }

    static SubscriberFilter ofLink(UUID link) {
        return new SubscriberFilter("", State.SUBSCRIBED, Optional.empty(), Optional.of(link), 0);
    }

    public boolean isNarrow() {
        return !find.isBlank() || state != State.SUBSCRIBED || source.isPresent() || link.isPresent() || days > 0;
    }

    Instant since(Instant now) {
        return days == 0 ? Instant.EPOCH : now.minus(Duration.ofDays(days));
    }

    public String query() {
        Map<String, String> said = new LinkedHashMap<>();
        said.put("find", find);
        said.put("state", state == State.SUBSCRIBED ? "" : FilterValues.key(state));
        said.put("source", source.map(UUID::toString).orElse(""));
        said.put("link", link.map(UUID::toString).orElse(""));
        said.put("days", days == 0 ? "" : String.valueOf(days));
        return FilterValues.query(said);
    }

    /** The part of an address that holds back less. */
    public String without(String name) {
        return FilterValues.without(query(), name);
    }
}

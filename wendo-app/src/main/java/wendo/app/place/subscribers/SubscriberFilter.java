package wendo.app.place.subscribers;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.ListLook;
import wendo.app.platform.site.TypedFields;

/**
 * Which subscribers a list shows, as it stands in the address.
 *
 * @param link those of one link
 * @param list those who are on this list
 * @param label those who have it; empty text for all
 * @param person this one
 * @param days those who subscribed within so many days; 0 for all
 */
record SubscriberFilter(
        String find,
        State state,
        Optional<UUID> source,
        Optional<UUID> link,
        Optional<UUID> list,
        String label,
        Optional<UUID> person,
        int days,
        ListLook look) {
    static final List<Integer> DAYS = List.of(7, 28, 90, 365);

    /** Whether their consent to e-mail news stands. */
    enum State {
        SUBSCRIBED,
        WITHDRAWN,
        ALL
    }

    static SubscriberFilter of(TypedFields asked) {
        return new SubscriberFilter(
                FilterValues.text(asked.raw("find")),
                FilterValues.one(State.values(), asked.raw("state")).orElse(State.SUBSCRIBED),
                FilterValues.id(asked.raw("source")),
                FilterValues.id(asked.raw("link")),
                FilterValues.id(asked.raw("list")),
                FilterValues.text(asked.raw("label")),
                FilterValues.id(asked.raw("person")),
                DAYS.stream()
                        .filter(one -> one.toString().equals(asked.raw("days")))
                        .findFirst()
                        .orElse(0),
                look(asked));
    }

    static SubscriberFilter ofLink(UUID link) {
        return of(TypedFields.of(Map.of("link", link.toString())));
    }

    private static ListLook look(TypedFields asked) {
        return ListLook.of(SubscriberColumns.ALL, "subscribed", asked);
    }

    public boolean isNarrow() {
        return !find.isBlank() || state != State.SUBSCRIBED || days > 0 || isOfSome();
    }

    private boolean isOfSome() {
        return source.isPresent() || link.isPresent() || list.isPresent() || person.isPresent() || !label.isEmpty();
    }

    /** The same, but only of whoever is to get news. */
    SubscriberFilter subscribed() {
        return new SubscriberFilter(find, State.SUBSCRIBED, source, link, list, label, person, days, look);
    }

    Instant since(Instant now) {
        return days == 0 ? Instant.EPOCH : now.minus(Duration.ofDays(days));
    }

    public String query() {
        return look.behind(rest());
    }

    /** The same, but for how the list is sorted and which columns it has. */
    public String rest() {
        Map<String, String> said = new LinkedHashMap<>();
        said.put("find", find);
        said.put("state", state == State.SUBSCRIBED ? "" : FilterValues.key(state));
        said.put("source", source.map(UUID::toString).orElse(""));
        said.put("link", link.map(UUID::toString).orElse(""));
        said.put("list", list.map(UUID::toString).orElse(""));
        said.put("label", label);
        said.put("person", person.map(UUID::toString).orElse(""));
        said.put("days", days == 0 ? "" : String.valueOf(days));
        return FilterValues.query(said);
    }

    /** The part of an address that holds back less. */
    public String without(String name) {
        return FilterValues.without(query(), name);
    }
}

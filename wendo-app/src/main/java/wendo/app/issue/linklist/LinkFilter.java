package wendo.app.issue.linklist;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.UriUtils;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.ListLook;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.links.Channel;

/** Which links a list shows, and in what order, as it stands in the address. What makes no sense holds back nothing. */
record LinkFilter(
        String find,
        Optional<UUID> source,
        Optional<UUID> campaign,
        Optional<UUID> destination,
        Optional<UUID> owner,
        Optional<Channel> channel,
        String label,
        State state,
        boolean isFailing,
        Group group,
        ListLook look) {
    /** As addresses and filters that were kept earlier say it. */
    private static final Map<String, String> FORMER_SORTS =
            Map.of("visited", "visits", "newest", "issued", "quiet", "-visits", "failing", "health");

    /** Archived links are out of the way unless they are asked for. */
    enum State {
        ACTIVE,
        ARCHIVED,
        ALL
    }

    enum Group {
        NONE("issue.linklist.not-grouped"),
        CHANNEL("issue.linklist.by-channel"),
        CAMPAIGN("issue.linklist.by-campaign"),
        SOURCE("issue.linklist.by-source");

        private final String words;

        Group(String words) {
            this.words = words;
        }

        public String words() {
            return Texts.of(words);
        }
    }

    static LinkFilter of(TypedFields asked) {
        return new LinkFilter(
                FilterValues.text(asked.raw("find")),
                FilterValues.id(asked.raw("source")),
                FilterValues.id(asked.raw("campaign")),
                FilterValues.id(asked.raw("destination")),
                FilterValues.id(asked.raw("owner")),
                FilterValues.one(Channel.values(), asked.raw("channel")),
                FilterValues.text(asked.raw("label")),
                FilterValues.one(State.values(), asked.raw("state")).orElse(State.ACTIVE),
                asked.raw("failing").equals("yes"),
                FilterValues.one(Group.values(), asked.raw("group")).orElse(Group.NONE),
                look(asked));
    }

    private static ListLook look(TypedFields asked) {
        MultiValueMap<String, String> sent = new LinkedMultiValueMap<>(asked.sent());
        sent.set("sort", FORMER_SORTS.getOrDefault(asked.text("sort"), asked.text("sort")));
        return ListLook.of(LinkColumns.ALL, "visits", new TypedFields(sent));
    }

    /** Reads what {@link #query} wrote. */
    static LinkFilter ofQuery(String query) {
        MultiValueMap<String, String> read = new LinkedMultiValueMap<>();
        UriComponentsBuilder.fromUriString("?" + query)
                .build()
                .getQueryParams()
                .forEach((name, values) -> values.forEach(
                        value -> read.add(name, value == null ? "" : UriUtils.decode(value, StandardCharsets.UTF_8))));
        return of(new TypedFields(read));
    }

    /** Whether it holds links back, other than the archived ones. */
    public boolean isNarrow() {
        return !find.isEmpty() || isNarrowed();
    }

    /** Whether it holds links back beyond what was typed into the finder. */
    public boolean isNarrowed() {
        return Stream.of(source, campaign, destination, owner, channel).anyMatch(Optional::isPresent)
                || !label.isEmpty()
                || state != State.ACTIVE
                || isFailing;
    }

    /** The part of an address that brings the same list again: only what is not usual. */
    public String query() {
        return look.behind(rest());
    }

    /** The same, but for how the list is sorted and what stands on its stubs. */
    public String rest() {
        Map<String, String> said = new LinkedHashMap<>();
        said.put("find", find);
        said.put("source", source.map(UUID::toString).orElse(""));
        said.put("campaign", campaign.map(UUID::toString).orElse(""));
        said.put("destination", destination.map(UUID::toString).orElse(""));
        said.put("owner", owner.map(UUID::toString).orElse(""));
        said.put("channel", channel.map(Channel::key).orElse(""));
        said.put("label", label);
        said.put("state", state == State.ACTIVE ? "" : FilterValues.key(state));
        said.put("failing", isFailing ? "yes" : "");
        said.put("group", group == Group.NONE ? "" : FilterValues.key(group));
        return FilterValues.query(said);
    }

    /** The part of an address that holds back less. */
    public String without(String name) {
        return FilterValues.without(query(), name);
    }
}

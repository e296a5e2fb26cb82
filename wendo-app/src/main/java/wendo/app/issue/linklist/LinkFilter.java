package wendo.app.issue.linklist;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.web.util.UriComponentsBuilder;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.Texts;
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
        Sort sort,
        Group group) {
    /** Archived links are out of the way unless they are asked for. */
    enum State {
        ACTIVE,
        ARCHIVED,
        ALL
    }

    enum Sort {
        VISITED("issue.linklist.link-filter.most-visited-first"),
        NEWEST("issue.linklist.link-filter.newest-first"),
        QUIET("issue.linklist.link-filter.quietest-first"),
        FAILING("issue.linklist.link-filter.failing-first"),
        NAME("issue.linklist.link-filter.by-name");

        private final String words;

        Sort(String words) {
            this.words = words;
        }

        public String words() {
            return Texts.of(words);
        }
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

    static LinkFilter of(Function<String, String> parameter) {
        return new LinkFilter(
                FilterValues.text(parameter.apply("find")),
                FilterValues.id(parameter.apply("source")),
                FilterValues.id(parameter.apply("campaign")),
                FilterValues.id(parameter.apply("destination")),
                FilterValues.id(parameter.apply("owner")),
                FilterValues.one(Channel.values(), parameter.apply("channel")),
                FilterValues.text(parameter.apply("label")),
                FilterValues.one(State.values(), parameter.apply("state")).orElse(State.ACTIVE),
                parameter.apply("failing").equals("yes"),
                FilterValues.one(Sort.values(), parameter.apply("sort")).orElse(Sort.VISITED),
                FilterValues.one(Group.values(), parameter.apply("group")).orElse(Group.NONE));
    }

    /** Reads what {@link #query} wrote. */
    static LinkFilter ofQuery(String query) {
        Map<String, String> read = UriComponentsBuilder.fromUriString("?" + query)
                .build()
                .getQueryParams()
                .toSingleValueMap();
        return of(name ->
                org.springframework.web.util.UriUtils.decode(read.getOrDefault(name, ""), StandardCharsets.UTF_8));
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
        said.put("sort", sort == Sort.VISITED ? "" : FilterValues.key(sort));
        said.put("group", group == Group.NONE ? "" : FilterValues.key(group));
        return FilterValues.query(said);
    }

    /** The part of an address that holds back less. */
    public String without(String name) {
        return FilterValues.without(query(), name);
    }
}

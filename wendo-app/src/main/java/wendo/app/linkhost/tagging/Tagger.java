package wendo.app.linkhost.tagging;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Component;
import wendo.app.audience.visitortags.DirectoryTag;
import wendo.app.audience.visitortags.TagDirectory;
import wendo.app.audience.visitortags.TagKind;
import wendo.app.audience.visitortags.TagLedger;
import wendo.app.audience.visitortags.TagResult;
import wendo.app.audience.visitortags.TagsOfLink;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.visit.visits.Automatic;
import wendo.core.audience.TagConsent;
import wendo.core.audience.TagPurpose;

/**
 * Decides from memory what is done with the visitor tags of a link: who is tagged, who is asked first, and who goes on as if
 * there were none. Robots, previews and proofs are never tagged.
 */
@Component
public class Tagger {
    private final TagDirectory directory;
    private final Automatic automatic;

    Tagger(TagDirectory directory, Automatic automatic) {
        this.directory = directory;
        this.automatic = automatic;
    }

    /**
     * Somebody who follows a link.
     *
     * @param isOwnTest whether the browser proves the link
     * @param isFetchedAhead whether nobody looks at it yet
     * @param hasSignal whether the browser sends Global Privacy Control
     * @param cookie the value of a cookie by its name; empty text if there is none
     */
    public record Arrival(
            LinkDirectory.Target target,
            boolean isOwnTest,
            boolean isFetchedAhead,
            boolean hasSignal,
            String userAgent,
            UnaryOperator<String> cookie) {}

    /**
     * What is to be done.
     *
     * @param asks the tags that the visitor is asked about
     * @param fires the tags that are used at once
     * @param results as the visit is logged with them
     */
    public record Plan(TagsOfLink of, List<DirectoryTag> asks, List<DirectoryTag> fires, String results) {
        public Plan {
            asks = List.copyOf(asks);
            fires = List.copyOf(fires);
        }

        /** Whether the visitor's browser has a part in it. A call from server to server has none. */
        public boolean needsPage() {
            return !asks.isEmpty() || fires.stream().anyMatch(tag -> tag.kind() != TagKind.SERVER);
        }

        Set<TagPurpose> purposes() {
            Set<TagPurpose> purposes = EnumSet.noneOf(TagPurpose.class);
            asks.forEach(tag -> purposes.add(tag.purpose()));
            return purposes;
        }
    }

    /** Empty where nothing is to be done, as for nearly all links. */
    public Optional<Plan> plan(Arrival arrival) {
        LinkDirectory.Target target = arrival.target();
        return directory
                .find(target.business(), target.link(), target.campaign(), target.brand())
                .filter(tags -> isSomebody(arrival))
                .map(tags -> plan(tags, arrival));
    }

    private boolean isSomebody(Arrival arrival) {
        return !arrival.isOwnTest()
                && !arrival.isFetchedAhead()
                && automatic.sortUserAgent(arrival.userAgent()).isEmpty();
    }

    private static Plan plan(TagsOfLink tags, Arrival arrival) {
        BrandAnswer recorded = BrandAnswer.read(arrival.cookie().apply(BrandAnswer.cookie(tags.brand())));
        Map<TagConsent.Decision, List<DirectoryTag>> byDecision = new EnumMap<>(TagConsent.Decision.class);
        Map<UUID, TagResult> results = new LinkedHashMap<>();
        for (DirectoryTag tag : tags.tags()) {
            TagConsent.Decision decision =
                    TagConsent.decide(tag.purpose(), recorded.of(tag.purpose()), arrival.hasSignal(), tags.asker());
            byDecision.computeIfAbsent(decision, any -> new ArrayList<>()).add(tag);
            results.put(tag.id(), TagResult.of(decision));
        }
        return new Plan(
                tags,
                byDecision.getOrDefault(TagConsent.Decision.ASK, List.of()),
                byDecision.getOrDefault(TagConsent.Decision.TAG, List.of()),
                TagLedger.write(results));
    }
}

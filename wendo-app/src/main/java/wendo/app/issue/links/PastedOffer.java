package wendo.app.issue.links;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.app.prepare.sources.SourceListed;
import wendo.core.links.Channel;
import wendo.core.links.PastedTags;
import wendo.core.links.Tag;

/**
 * What the tags of a pasted address would mean on the desk.
 *
 * @param bare the address without them
 * @param source the known source that they name
 * @param newSource the source to be added, if they name an unknown one
 * @param told the tags as they stood, for showing
 */
record PastedOffer(
        String bare,
        Optional<UUID> source,
        IssueForm.NewSource newSource,
        String campaign,
        Map<String, String> fields,
        Map<String, String> told) {

    /** Empty if the address carries no tags. */
    static Optional<PastedOffer> of(PastedTags pasted, Map<String, SourceListed> sources) {
        if (pasted.values().isEmpty()) {
            return Optional.empty();
        }
        Optional<SourceListed> known = pasted.source()
                .flatMap(text -> Optional.ofNullable(sources.get(Tag.of(text).value())));
        String medium = pasted.medium().map(text -> Tag.of(text).value()).orElse("");
        String channel = Arrays.stream(Channel.values())
                .filter(one -> one.medium().equals(medium))
                .findFirst()
                .map(Channel::key)
                .orElse(medium.isEmpty() ? "" : Channel.OTHER.key());
        return Optional.of(new PastedOffer(
                pasted.bare().toString(),
                known.map(SourceListed::id),
                known.isPresent()
                        ? IssueForm.NewSource.none()
                        : new IssueForm.NewSource(pasted.source().orElse(""), channel),
                pasted.campaign().orElse(""),
                pasted.typed(),
                pasted.values()));
    }
}

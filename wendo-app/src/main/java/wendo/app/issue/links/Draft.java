package wendo.app.issue.links;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wendo.app.prepare.sources.SourceListed;
import wendo.core.links.Channel;
import wendo.core.links.Slug;
import wendo.core.links.WebAddress;

/**
 * One link laid out before it is issued, with all that is wrong with it.
 *
 * @param what its source, whether known or to be made, and its campaign
 * @param slug as typed, or as made
 * @param url the address that will be printed
 * @param taggedAddress where it will lead; empty text while the destination or a tag is missing
 * @param replaced parameters of the destination that the link's tags take the place of
 * @param alternative a free ending instead of a refused one
 */
public record Draft(
        What what,
        Optional<WebAddress> destination,
        String name,
        String slug,
        String url,
        Map<String, String> parameters,
        String taggedAddress,
        List<String> replaced,
        CheckedTerms terms,
        List<IssueFault> faults,
        Optional<Slug> alternative) {

    /** @param source the known source, if it is known */
    public record What(Optional<SourceListed> source, String sourceName, Channel channel, String campaign) {}

    public Draft {
        parameters = Collections.unmodifiableMap(new LinkedHashMap<>(parameters));
        replaced = List.copyOf(replaced);
        faults = List.copyOf(faults);
    }

    public boolean isReady() {
        return faults.isEmpty();
    }

    /** What is wrong with one field; empty text if nothing is. */
    public String fault(String field) {
        return faults.stream()
                .filter(fault -> fault.field().equals(field))
                .map(IssueFault::message)
                .findFirst()
                .orElse("");
    }

    /** What is wrong with it apart from these fields, whose faults are shown elsewhere. */
    public List<String> faultsBeyond(List<String> fields) {
        return faults.stream()
                .filter(fault -> !fields.contains(fault.field()))
                .map(IssueFault::message)
                .toList();
    }

    Slug checkedSlug() {
        return Slug.of(slug);
    }
}

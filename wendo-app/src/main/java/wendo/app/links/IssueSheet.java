package wendo.app.links;

import java.util.List;
import java.util.Optional;
import wendo.core.links.Slug;

/**
 * The sheet of stubs that a desk would issue, with all that is wrong with it.
 *
 * @param destinationFault what is wrong with the destination, or empty text
 * @param replaced parameters of the destination that the links' tags take the place of
 */
record IssueSheet(
        LinkHosts.LinkHost host,
        String destinationAddress,
        String destinationFault,
        List<String> replaced,
        String campaignFault,
        String note,
        String noteFault,
        List<Stub> stubs) {

    /** One link to be: {@code slug} is as typed or as generated; {@code taggedAddress} is empty without a destination. */
    record Stub(
            SourceListed source,
            String name,
            String slug,
            String address,
            String taggedAddress,
            String fault,
            Optional<Slug> alternative) {

        Slug checkedSlug() {
            return Slug.of(slug);
        }
    }

    IssueSheet {
        replaced = List.copyOf(replaced);
        stubs = List.copyOf(stubs);
    }

    public boolean isReady() {
        return !stubs.isEmpty() && faults().isEmpty();
    }

    /** All that is wrong, in the order of the desk. */
    public List<IssueFault> faults() {
        List<IssueFault> faults = new java.util.ArrayList<>();
        add(faults, "destination", destinationFault);
        add(faults, "campaign", campaignFault);
        add(faults, "note", noteFault);
        if (stubs.isEmpty()) {
            add(faults, "sources", "Tick at least one source: each gets a link of its own.");
        }
        for (int i = 0; i < stubs.size(); i++) {
            add(faults, "sources[%d].slug".formatted(i), stubs.get(i).fault());
        }
        return List.copyOf(faults);
    }

    private static void add(List<IssueFault> faults, String field, String message) {
        if (!message.isEmpty()) {
            faults.add(new IssueFault(field, message));
        }
    }
}

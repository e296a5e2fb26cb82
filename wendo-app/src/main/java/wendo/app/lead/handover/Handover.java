package wendo.app.lead.handover;

import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * What happens to a lead on arrival.
 *
 * @param ownerIs issuer, person, round or none
 * @param partner an e-mail address that the lead is shared with; empty text for none
 * @param alerts whether the owner is told by mail
 */
record Handover(
        String ownerIs,
        Optional<UUID> person,
        Optional<UUID> round,
        String partner,
        List<String> labels,
        String note,
        boolean alerts,
        Optional<UUID> plan) {
    static final String NOBODY = "none";

    Handover {
        labels = List.copyOf(labels);
    }

    /** What happens until somebody sets something else: whoever issued the link gets its leads. */
    static Handover usual() {
        return new Handover("issuer", Optional.empty(), Optional.empty(), "", List.of(), "", true, Optional.empty());
    }

    public String labelsTyped() {
        return String.join(", ", labels);
    }
}

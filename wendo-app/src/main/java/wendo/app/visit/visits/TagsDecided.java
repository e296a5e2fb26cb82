package wendo.app.visit.visits;

import java.util.List;
import java.util.UUID;
import wendo.core.visits.ClickId;

/**
 * People came by links with visitor tags; told in the transaction that stores their visits, once for each visit. Robots,
 * previews and proofs are none of them.
 */
public record TagsDecided(List<Visit> visits) {
    public TagsDecided {
        visits = List.copyOf(visits);
    }

    /** @param tags as the link host wrote it */
    public record Visit(ClickId click, UUID link, String tags) {}
}

package wendo.app.issue.links;

import java.util.List;
import java.util.UUID;

/** The moment from which these links' figures are counted has changed. */
public record LinksCountedAfresh(List<UUID> links) {
    public LinksCountedAfresh {
        links = List.copyOf(links);
    }
}

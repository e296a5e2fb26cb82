package wendo.app.issue.links;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wendo.core.links.Channel;

/**
 * A link as pages show it.
 *
 * @param tags its parameters as they stand in a query
 * @param destination the page it leads to, without its tags
 * @param owner the owner's name, or empty text
 */
public record LinkListed(
        UUID id,
        String name,
        String slug,
        String url,
        String taggedAddress,
        String tags,
        String note,
        List<String> labels,
        String owner,
        Instant createdAt,
        String createdBy,
        Belongs belongs,
        String source,
        Channel channel,
        String campaign,
        String destination,
        Paid paid,
        Optional<Instant> archivedAt) {

    /** The rows that a link points to. */
    public record Belongs(UUID source, UUID campaign, UUID destination) {}

    /** Whether somebody is paid for placing it, and what has to stand beside it then. */
    public record Paid(boolean isPaid, String disclosure) {}

    public LinkListed {
        labels = List.copyOf(labels);
    }
}

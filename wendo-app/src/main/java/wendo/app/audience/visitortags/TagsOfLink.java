package wendo.app.audience.visitortags;

import java.util.List;
import java.util.UUID;
import wendo.core.audience.TagConsent;

/**
 * The visitor tags that are on for a link.
 *
 * @param brand in whose name visitors are asked; the business's own identifier where it is no brand
 * @param name of the brand; empty text for the business's own
 * @param logo of the brand; empty text for the business's own, or none
 */
public record TagsOfLink(UUID brand, String name, String logo, TagConsent.Asker asker, List<DirectoryTag> tags) {
    public TagsOfLink {
        tags = List.copyOf(tags);
    }
}

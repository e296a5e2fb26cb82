package wendo.app.issue.links;

import java.util.Map;

/**
 * One link as it is asked for: as typed, nothing checked yet.
 *
 * @param source a source's identifier, or a name in any spelling
 * @param channel what kind of source it is, if the source is new
 * @param slug a wanted ending; empty text lets one be made
 * @param fields values of the tag plan's typed fields by parameter
 */
public record LinkWish(
        String destination,
        String source,
        String channel,
        String campaign,
        String slug,
        String name,
        Map<String, String> fields,
        LinkTerms terms) {
    public LinkWish {
        fields = Map.copyOf(fields);
    }

    public LinkWish withSlug(String wanted) {
        return new LinkWish(destination, source, channel, campaign, wanted, name, fields, terms);
    }
}

package wendo.app.issue.batches;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;
import wendo.core.links.Tag;

/** What a column of a file may hold. {@code alsoCalled} are headings, in normal form, that people use for it. */
enum BatchColumn {
    DESTINATION(
            "issue.batches.batch-column.destination", "address", "url", "landing-page", "page", "target", "leads-to"),
    SOURCE("issue.batches.batch-column.source", "place", "placement", "utm-source"),
    CHANNEL("issue.batches.batch-column.channel", "kind", "type"),
    CAMPAIGN("issue.batches.batch-column.campaign", "utm-campaign", "push"),
    ENDING("issue.batches.batch-column.ending", "slug", "short-name", "alias"),
    NAME("issue.batches.batch-column.name", "title", "link-name"),
    NOTE("issue.batches.batch-column.note", "notes", "comment", "remark", "remarks", "comments"),
    OWNER("issue.batches.batch-column.owner", "person", "responsible"),
    LABELS("issue.batches.batch-column.labels", "label", "groups"),
    FIRST_DAY("issue.batches.batch-column.first-day", "from", "start", "starts"),
    LAST_DAY("issue.batches.batch-column.last-day", "until", "to", "end", "ends"),
    OUTSIDE("issue.batches.batch-column.outside", "afterwards", "then-to"),
    PAID("issue.batches.batch-column.paid", "sponsored"),
    DISCLOSURE("issue.batches.batch-column.disclosure"),
    BRAND("issue.batches.batch-column.brand"),
    LINK("issue.batches.batch-column.link", "short-link", "tracking-link");

    private final String heading;
    private final List<String> alsoCalled;

    BatchColumn(String heading, String... alsoCalled) {
        this.heading = heading;
        this.alsoCalled = List.of(alsoCalled);
    }

    /** What stands above it in the template. */
    public String heading() {
        return Texts.of(heading);
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    static Optional<BatchColumn> find(String typed) {
        if (!Tag.isPossible(typed)) {
            return Optional.empty();
        }
        String normal = Tag.of(typed).value();
        return Arrays.stream(values())
                .filter(column -> column.isHeaded(normal) || column.alsoCalled.contains(normal))
                .findFirst();
    }

    /** In any language that templates are offered in. */
    private boolean isHeaded(String normal) {
        return Texts.inAll(heading).map(text -> Tag.of(text).value()).anyMatch(normal::equals);
    }
}

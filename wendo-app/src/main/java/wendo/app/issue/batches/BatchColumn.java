package wendo.app.issue.batches;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wendo.core.links.Tag;

/** What a column of a file may hold. {@code alsoCalled} are headings, in normal form, that people use for it. */
enum BatchColumn {
    DESTINATION("Destination", "address", "url", "landing-page", "page", "target", "leads-to"),
    SOURCE("Source", "place", "placement", "utm-source"),
    CHANNEL("Channel", "kind", "type"),
    CAMPAIGN("Campaign", "utm-campaign", "push"),
    ENDING("Ending", "slug", "short-name", "alias"),
    NAME("Name", "title", "link-name"),
    NOTE("Note", "notes", "comment", "remark", "remarks", "comments"),
    OWNER("Owner", "person", "responsible"),
    LABELS("Labels", "label", "groups"),
    FIRST_DAY("First day", "from", "start", "starts"),
    LAST_DAY("Last day", "until", "to", "end", "ends"),
    OUTSIDE("Outside of its days", "afterwards", "then-to"),
    PAID("Paid", "sponsored"),
    DISCLOSURE("Disclosure"),
    LINK("Link", "short-link", "tracking-link");

    private final String heading;
    private final List<String> alsoCalled;

    BatchColumn(String heading, String... alsoCalled) {
        this.heading = heading;
        this.alsoCalled = List.of(alsoCalled);
    }

    /** What stands above it in the template. */
    public String heading() {
        return heading;
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
                .filter(column -> Tag.of(column.heading).value().equals(normal) || column.alsoCalled.contains(normal))
                .findFirst();
    }
}

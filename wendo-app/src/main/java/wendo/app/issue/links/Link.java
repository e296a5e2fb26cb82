package wendo.app.issue.links;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.links.Tagging;
import wendo.core.links.WebAddress;

@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Link extends BusinessEntity {
    private UUID hostId;
    private String slug;
    private String skeleton;
    private String name;
    private String note;
    private UUID sourceId;
    private UUID campaignId;
    private UUID destinationId;
    private String tags;
    private String taggedAddress;
    private @Nullable UUID ownerId;
    private String[] labels = {};
    private @Nullable LocalDate firstDay;
    private @Nullable LocalDate lastDay;
    private String outsideAddress = "";
    private boolean isPaid;
    private String disclosure = "";
    private @Nullable UUID brandId;
    private @Nullable Instant archivedAt;
    private @Nullable Instant countedFrom;
    private Instant createdAt;
    private String createdBy;

    /** The rows that a link points to. */
    record Belongs(UUID source, UUID campaign, UUID destination) {}

    @SuppressWarnings("NullAway.Init")
    protected Link() {}

    Link(UUID host, Draft draft, Belongs belongs) {
        super(UUID.randomUUID());
        this.hostId = host;
        this.slug = draft.checkedSlug().value();
        this.skeleton = draft.checkedSlug().skeleton();
        this.name = draft.name();
        this.note = "";
        this.sourceId = belongs.source();
        this.campaignId = belongs.campaign();
        this.destinationId = belongs.destination();
        this.tags = Tagging.write(draft.parameters());
        this.taggedAddress = draft.taggedAddress();
        this.createdAt = Instant.EPOCH;
        this.createdBy = "";
        agree(draft.terms());
    }

    /** Takes over what is said of the link beyond what it is. */
    void agree(CheckedTerms terms) {
        this.note = terms.note();
        this.ownerId = terms.owner().orElse(null);
        this.labels = terms.labels().toArray(String[]::new);
        this.firstDay = terms.firstDay().orElse(null);
        this.lastDay = terms.lastDay().orElse(null);
        this.outsideAddress = terms.outside().map(this::tag).orElse("");
        this.isPaid = terms.isPaid();
        this.disclosure = terms.disclosure();
        this.brandId = terms.brand().orElse(null);
    }

    /** Its terms as they would be typed. The address outside of its days has the link's tags, which are put on again. */
    LinkTerms terms() {
        return new LinkTerms(
                note,
                ownerId == null ? "" : ownerId.toString(),
                String.join(", ", labels),
                firstDay == null ? "" : firstDay.toString(),
                lastDay == null ? "" : lastDay.toString(),
                outsideAddress,
                isPaid,
                disclosure,
                brandId == null ? "" : brandId.toString());
    }

    /** The address with the link's tags. */
    String tag(WebAddress address) {
        return Tagging.of(address, Tagging.read(tags)).address().toString();
    }

    void issuedBy(String person, Instant at) {
        this.createdBy = person;
        this.createdAt = at;
    }

    void rename(String newName) {
        this.name = newName;
    }

    /** What a change of many links reads and writes. */
    String read(LinkProperty property) {
        return switch (property) {
            case ARCHIVED -> archivedAt == null ? "" : archivedAt.toString();
            case LABELS -> String.join("\n", labels);
            case OWNER -> ownerId == null ? "" : ownerId.toString();
            case DESTINATION -> destinationId.toString();
            case COUNTED_FROM -> countedFrom == null ? "" : countedFrom.toString();
        };
    }

    void put(LinkProperty property, String value) {
        switch (property) {
            case ARCHIVED -> archivedAt = value.isEmpty() ? null : Instant.parse(value);
            case LABELS -> labels = value.isEmpty() ? new String[0] : value.split("\n", -1);
            case OWNER -> ownerId = value.isEmpty() ? null : UUID.fromString(value);
            case COUNTED_FROM -> countedFrom = value.isEmpty() ? null : Instant.parse(value);
            case DESTINATION ->
                throw new IllegalArgumentException("A link leads to an address, not to \"%s\"".formatted(value));
        }
    }

    /** Leads to another page from now on, with the tags it has. */
    void leadTo(UUID destination, WebAddress address) {
        this.destinationId = destination;
        this.taggedAddress = tag(address);
    }
}

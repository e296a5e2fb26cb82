package wendo.app.place.signposts;

import jakarta.persistence.CascadeType;
import jakarta.persistence.Entity;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** A signpost with its entries in their order. */
@Entity
@Table(name = "signpost")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredSignpost extends BusinessEntity {
    private String title;
    private String text;
    private UUID sourceId;
    private UUID campaignId;
    private @Nullable UUID linkId;
    private Instant createdAt;
    private String createdBy;

    @OneToMany(cascade = CascadeType.ALL, orphanRemoval = true)
    @JoinColumn(name = "signpost_id", nullable = false, updatable = false)
    @OrderBy("place")
    private List<StoredEntry> entries = new ArrayList<>();

    @SuppressWarnings("NullAway.Init")
    protected StoredSignpost() {}

    @SuppressWarnings("NullAway.Init")
    StoredSignpost(Signposts.About about, Instant now, String by) {
        super(UUID.randomUUID());
        this.sourceId = about.source();
        this.campaignId = about.campaign();
        this.createdAt = now;
        this.createdBy = by;
    }

    void describe(String newTitle, String newText) {
        this.title = newTitle;
        this.text = newText;
    }

    void leadHere(UUID link) {
        this.linkId = link;
    }

    /** At the end; nothing is added where there are as many as there may be. */
    void add(StoredEntry entry) {
        if (entries.size() < Signposts.MAX_ENTRIES) {
            entry.stand(entries.isEmpty() ? 1 : entries.get(entries.size() - 1).place() + 1);
            entries.add(entry);
        }
    }

    void remove(UUID entry) {
        entries.removeIf(one -> one.id().equals(entry));
    }

    /** Changes places with the entry above. */
    void moveUp(UUID entry) {
        for (int at = 1; at < entries.size(); at++) {
            if (entries.get(at).id().equals(entry)) {
                int place = entries.get(at).place();
                entries.get(at).stand(entries.get(at - 1).place());
                entries.get(at - 1).stand(place);
            }
        }
    }
}

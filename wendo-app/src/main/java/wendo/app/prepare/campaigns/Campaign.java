package wendo.app.prepare.campaigns;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.links.Tag;

@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Campaign extends BusinessEntity {
    private String name;
    private String tag;
    private @Nullable LocalDate startsOn;
    private @Nullable LocalDate endsOn;
    private @Nullable Long budgetMinor;
    private String note = "";
    private @Nullable Instant archivedAt;
    private Instant createdAt;

    @SuppressWarnings("NullAway.Init")
    protected Campaign() {}

    Campaign(String name, Instant createdAt) {
        super(UUID.randomUUID());
        this.name = name;
        this.tag = Tag.of(name).value();
        this.createdAt = createdAt;
    }

    void runFrom(LocalDate first, LocalDate last) {
        this.startsOn = first;
        this.endsOn = last;
    }

    /** Its tag stays: addresses that carry it are out in the world. */
    void describe(CampaignForm.Checked form) {
        this.name = form.name();
        this.startsOn = form.first().orElse(null);
        this.endsOn = form.last().orElse(null);
        this.budgetMinor = form.budgetMinor().orElse(null);
        this.note = form.note();
    }

    void archive(Instant now) {
        this.archivedAt = now;
    }

    void restore() {
        this.archivedAt = null;
    }

    boolean isArchived() {
        return archivedAt != null;
    }

    CampaignListed listed() {
        return new CampaignListed(id(), name, new Tag(tag));
    }

    CampaignForm.Checked described() {
        return new CampaignForm.Checked(
                name,
                Optional.ofNullable(startsOn),
                Optional.ofNullable(endsOn),
                Optional.ofNullable(budgetMinor),
                note);
    }
}

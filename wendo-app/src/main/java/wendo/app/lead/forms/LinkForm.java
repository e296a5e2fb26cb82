package wendo.app.lead.forms;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.util.UUID;
import wendo.app.platform.business.BusinessRow;

/** Which form a link shows, when and how strictly. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class LinkForm extends BusinessRow {
    @Id
    private UUID linkId;

    private UUID formId;
    private String shows;
    private int looks;
    private String strictness;

    @SuppressWarnings("NullAway.Init")
    protected LinkForm() {}

    @SuppressWarnings("NullAway.Init")
    LinkForm(UUID link) {
        this.linkId = link;
    }

    void become(Forms.Shown shown) {
        this.formId = shown.form().orElseThrow();
        this.shows = shown.shows();
        this.looks = shown.looks();
        this.strictness = shown.strictness().key();
    }
}

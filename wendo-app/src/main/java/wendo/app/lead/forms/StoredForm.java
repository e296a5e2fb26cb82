package wendo.app.lead.forms;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** An entry form as it is kept. */
@Entity
@Table(name = "entry_form")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredForm extends BusinessEntity {
    private String name;
    private String purpose;
    private String title;
    private String intro;
    private String button;
    private String thanks;
    private String accent;
    private String promise;
    private String answers;
    private String covers;
    private String asks;
    private boolean archived;
    private Instant createdAt;
    private String createdBy;

    @SuppressWarnings("NullAway.Init")
    protected StoredForm() {}

    @SuppressWarnings("NullAway.Init")
    StoredForm(EntryForm form, Instant now, String by) {
        super(UUID.randomUUID());
        this.createdAt = now;
        this.createdBy = by;
        become(form);
    }

    final void become(EntryForm form) {
        this.name = form.name();
        this.purpose = form.purpose().key();
        this.title = form.title();
        this.intro = form.intro();
        this.button = form.button();
        this.thanks = form.thanks();
        this.accent = form.accent();
        this.promise = form.promise();
        this.answers = form.answers();
        this.covers = form.coversAsText();
        this.asks = form.asksAsText();
    }

    void archive(boolean away) {
        this.archived = away;
    }

    EntryForm form() {
        return new EntryForm(
                name,
                Purpose.find(purpose).orElseThrow(),
                title,
                intro,
                button,
                thanks,
                accent,
                promise,
                answers,
                EntryForm.covers(covers),
                EntryForm.asks(asks));
    }
}

package wendo.app.place.subscribers;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** What people subscribe to. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class NewsletterList extends BusinessEntity {
    private String name = "";
    private String promise = "";
    private boolean confirms;
    private int confirmDays;
    private String[] labels = {};
    private boolean hasForm;
    private String onwardAddress = "";
    private boolean welcomes;
    private String welcomeSubject = "";
    private String welcomeBody = "";

    @Column(updatable = false)
    private Instant madeAt;

    @Column(updatable = false)
    private String madeBy;

    private @Nullable Instant archivedAt;

    @SuppressWarnings("NullAway.Init")
    protected NewsletterList() {}

    NewsletterList(ListForm form, String by, Instant now) {
        super(UUID.randomUUID());
        this.madeAt = now;
        this.madeBy = by;
        become(form);
    }

    final void become(ListForm form) {
        this.name = form.name();
        this.promise = form.promise();
        this.confirms = form.confirms();
        this.confirmDays = form.days();
        this.labels = form.labelLine().labels().toArray(String[]::new);
        this.hasForm = form.hasForm();
        this.onwardAddress = form.onward();
        this.welcomes = form.welcomes();
        this.welcomeSubject = form.subject();
        this.welcomeBody = form.body();
    }

    void archive(Instant now) {
        this.archivedAt = now;
    }

    ListForm form() {
        return new ListForm(
                name,
                promise,
                confirms,
                String.valueOf(confirmDays),
                String.join(", ", labels),
                hasForm,
                onwardAddress,
                welcomes,
                welcomeSubject,
                welcomeBody);
    }

    NewsletterLists.Listed listed() {
        return new NewsletterLists.Listed(
                id(), name, promise, confirms, Duration.ofDays(confirmDays), List.of(labels), hasForm, onwardAddress);
    }

    /** What is written to whoever has just joined; empty text for nothing. */
    Welcome welcome() {
        return welcomes ? new Welcome(welcomeSubject, welcomeBody) : new Welcome("", "");
    }

    /** A list's first letter. */
    record Welcome(String subject, String body) {
        boolean isWanted() {
            return !body.isBlank();
        }
    }
}

package wendo.app.platform.activity;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.accounts.Actor;
import wendo.app.platform.business.BusinessLogRow;

/** That somebody did something. */
@Entity
@Immutable
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Activity extends BusinessLogRow {
    private static final int MAX_SUBJECT = 200;
    private static final int MAX_CHANGES = 4000;

    private Instant at;
    private @Nullable UUID personId;
    private String person;
    private String did;
    private String kind;
    private @Nullable UUID subjectId;
    private String subject;
    private String changes;

    @SuppressWarnings("NullAway.Init")
    protected Activity() {}

    Activity(Actor actor, Deed deed, Instant now) {
        super(UUID.randomUUID());
        this.at = now;
        this.personId = actor.id().orElse(null);
        this.person = actor.name();
        this.did = deed.did();
        this.kind = deed.kind().key();
        this.subjectId = deed.subjectId().orElse(null);
        this.subject = cut(deed.subject(), MAX_SUBJECT);
        this.changes = cut(deed.changes(), MAX_CHANGES);
    }

    private static String cut(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most);
    }

    /**
     * What was done.
     *
     * @param did added, changed, removed, signed_in or exported
     * @param changes one line a property: its name, what it was and what it is, with tabs between them
     */
    record Deed(String did, TrackedKind kind, Optional<UUID> subjectId, String subject, String changes) {}
}

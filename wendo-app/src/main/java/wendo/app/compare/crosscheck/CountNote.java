package wendo.app.compare.crosscheck;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessLogRow;

/** What one side wrote to the other about a cross-check. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class CountNote extends BusinessLogRow {
    private UUID checkId;
    private boolean fromThem;
    private String author;
    private String body;
    private Instant writtenAt;

    @SuppressWarnings("NullAway.Init")
    protected CountNote() {}

    CountNote(UUID check, Written written, Instant now) {
        super(UUID.randomUUID());
        this.checkId = check;
        this.fromThem = written.isFromThem();
        this.author = written.author();
        this.body = written.body();
        this.writtenAt = now;
    }

    Shown shown() {
        return new Shown(fromThem, author, body, writtenAt);
    }

    record Written(boolean isFromThem, String author, String body) {}

    record Shown(boolean isFromThem, String author, String body, Instant at) {}
}

package wendo.app.platform.accounts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Somebody who signs in. People belong to no business; their memberships do. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Person {
    @Id
    private UUID id;

    @Version
    private @Nullable Integer version;

    private String email;
    private String name;
    private String passwordHash;
    private Instant createdAt;
    private String language = "";
    private boolean hasPassword = true;
    private String totpSecret = "";
    private long totpLastStep;

    @SuppressWarnings("NullAway.Init")
    protected Person() {}

    Person(String email, String name, String passwordHash, Instant createdAt) {
        this.id = UUID.randomUUID();
        this.email = email;
        this.name = name;
        this.passwordHash = passwordHash;
        this.createdAt = createdAt;
    }

    UUID id() {
        return id;
    }

    /** The tag of the language they chose; empty text for what their browser asks for. */
    String language() {
        return language;
    }

    void speak(String tag) {
        this.language = tag;
    }

    String email() {
        return email;
    }

    String name() {
        return name;
    }

    String passwordHash() {
        return passwordHash;
    }

    boolean hasPassword() {
        return hasPassword;
    }

    void rename(String other) {
        this.name = other;
    }

    void writeTo(String otherEmail) {
        this.email = otherEmail;
    }

    /** @param known false for one that nobody knows, where a passkey takes its place */
    void setPassword(String hash, boolean known) {
        this.passwordHash = hash;
        this.hasPassword = known;
    }

    /** The secret that this person's authenticator knows too; empty text without a second factor. */
    String totpSecret() {
        return totpSecret;
    }

    boolean hasCodes() {
        return !totpSecret.isEmpty();
    }

    void shareSecret(String secret, long step) {
        this.totpSecret = secret;
        this.totpLastStep = step;
    }

    long totpLastStep() {
        return totpLastStep;
    }

    void useStep(long step) {
        this.totpLastStep = step;
    }

    SignedIn signedIn() {
        return new SignedIn(id, email, name, passwordHash, hasCodes());
    }
}

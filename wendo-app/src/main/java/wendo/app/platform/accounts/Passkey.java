package wendo.app.platform.accounts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Arrays;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.security.web.webauthn.api.AuthenticatorTransport;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.CredentialRecord;
import org.springframework.security.web.webauthn.api.ImmutableCredentialRecord;
import org.springframework.security.web.webauthn.api.ImmutablePublicKeyCose;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialType;

/** A passkey of somebody: a credential record of Web Authentication (W3C, Level 3, section 4). */
@Entity
class Passkey {
    private static final int MAX_LABEL = 80;

    @Id
    private UUID id;

    private UUID personId;
    private byte[] credentialId;
    private byte[] publicKey;
    private long signatureCount;
    private boolean uvInitialized;
    private String transports;
    private boolean backupEligible;
    private boolean backupState;
    private byte @Nullable [] attestationObject;
    private byte @Nullable [] attestationClientData;
    private String label;
    private Instant createdAt;
    private Instant lastUsedAt;

    @SuppressWarnings("NullAway.Init")
    protected Passkey() {}

    @SuppressWarnings("NullAway.Init")
    Passkey(UUID person, CredentialRecord made) {
        this.id = UUID.randomUUID();
        this.personId = person;
        this.credentialId = made.getCredentialId().getBytes();
        this.label = made.getLabel().length() <= MAX_LABEL
                ? made.getLabel()
                : made.getLabel().substring(0, MAX_LABEL);
        this.createdAt = made.getCreated();
        update(made);
    }

    /** As it is after it was used. */
    final void update(CredentialRecord used) {
        this.publicKey = used.getPublicKey().getBytes();
        this.signatureCount = used.getSignatureCount();
        this.uvInitialized = used.isUvInitialized();
        this.transports = used.getTransports().stream()
                .map(AuthenticatorTransport::getValue)
                .sorted()
                .collect(Collectors.joining(","));
        this.backupEligible = used.isBackupEligible();
        this.backupState = used.isBackupState();
        this.attestationObject = bytes(used.getAttestationObject());
        this.attestationClientData = bytes(used.getAttestationClientDataJSON());
        this.lastUsedAt = used.getLastUsed();
    }

    private static byte @Nullable [] bytes(@Nullable Bytes some) {
        return some == null ? null : some.getBytes();
    }

    UUID personId() {
        return personId;
    }

    Passkeys.Shown shown() {
        return new Passkeys.Shown(id, label, createdAt, lastUsedAt);
    }

    CredentialRecord credential() {
        return ImmutableCredentialRecord.builder()
                .credentialType(PublicKeyCredentialType.PUBLIC_KEY)
                .credentialId(new Bytes(credentialId))
                .userEntityUserId(Passkeys.bytes(personId))
                .publicKey(new ImmutablePublicKeyCose(publicKey))
                .signatureCount(signatureCount)
                .uvInitialized(uvInitialized)
                .transports(Arrays.stream(transports.split(","))
                        .filter(one -> !one.isEmpty())
                        .map(AuthenticatorTransport::valueOf)
                        .collect(Collectors.toSet()))
                .backupEligible(backupEligible)
                .backupState(backupState)
                .attestationObject(attestationObject == null ? null : new Bytes(attestationObject))
                .attestationClientDataJSON(attestationClientData == null ? null : new Bytes(attestationClientData))
                .label(label)
                .created(createdAt)
                .lastUsed(lastUsedAt)
                .build();
    }
}

package wendo.app.platform.accounts;

import java.nio.ByteBuffer;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.CredentialRecord;
import org.springframework.security.web.webauthn.api.ImmutablePublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Passkeys, and whose they are, as Spring Security asks for them. The user handle is the person's identifier. */
@Service
class Passkeys implements UserCredentialRepository, PublicKeyCredentialUserEntityRepository {
    private static final int HANDLE_BYTES = 16;

    private final PasskeyRepository repository;
    private final PersonRepository people;

    Passkeys(PasskeyRepository repository, PersonRepository people) {
        this.repository = repository;
        this.people = people;
    }

    /** As the account's page shows it. */
    record Shown(UUID id, String label, Instant createdAt, Instant lastUsedAt) {}

    @Transactional(readOnly = true)
    List<Shown> of(UUID person) {
        return repository.findByPersonIdOrderByCreatedAt(person).stream()
                .map(Passkey::shown)
                .toList();
    }

    @Transactional
    boolean remove(UUID person, UUID id) {
        Optional<Passkey> passkey = repository.findByIdAndPersonId(id, person);
        passkey.ifPresent(repository::delete);
        return passkey.isPresent();
    }

    static Bytes bytes(UUID person) {
        return new Bytes(ByteBuffer.allocate(HANDLE_BYTES)
                .putLong(person.getMostSignificantBits())
                .putLong(person.getLeastSignificantBits())
                .array());
    }

    static Optional<UUID> person(Bytes handle) {
        ByteBuffer bytes = ByteBuffer.wrap(handle.getBytes());
        return bytes.remaining() == HANDLE_BYTES
                ? Optional.of(new UUID(bytes.getLong(), bytes.getLong()))
                : Optional.empty();
    }

    @Override
    @Transactional
    public void delete(Bytes credential) {
        repository.findByCredentialId(credential.getBytes()).ifPresent(repository::delete);
    }

    @Override
    @Transactional
    public void save(CredentialRecord record) {
        UUID owner = person(record.getUserEntityUserId()).orElseThrow();
        Optional<Passkey> known =
                repository.findByCredentialId(record.getCredentialId().getBytes());
        if (known.isEmpty()) {
            repository.save(new Passkey(owner, record));
        } else if (known.get().personId().equals(owner)) {
            known.get().update(record);
        } else {
            throw new IllegalArgumentException("This credential belongs to somebody else");
        }
    }

    @Override
    @Transactional(readOnly = true)
    public @Nullable CredentialRecord findByCredentialId(Bytes credential) {
        return repository
                .findByCredentialId(credential.getBytes())
                .map(Passkey::credential)
                .orElse(null);
    }

    @Override
    @Transactional(readOnly = true)
    public List<CredentialRecord> findByUserId(Bytes handle) {
        return person(handle).map(repository::findByPersonIdOrderByCreatedAt).orElse(List.of()).stream()
                .map(Passkey::credential)
                .toList();
    }

    @Override
    @Transactional(readOnly = true)
    public @Nullable PublicKeyCredentialUserEntity findById(Bytes handle) {
        return person(handle).flatMap(people::findById).map(Passkeys::entity).orElse(null);
    }

    @Override
    @Transactional(readOnly = true)
    public @Nullable PublicKeyCredentialUserEntity findByUsername(String email) {
        return people.findByEmail(email).map(Passkeys::entity).orElse(null);
    }

    private static PublicKeyCredentialUserEntity entity(Person person) {
        return ImmutablePublicKeyCredentialUserEntity.builder()
                .id(bytes(person.id()))
                .name(person.email())
                .displayName(person.name())
                .build();
    }

    @Override
    public void save(PublicKeyCredentialUserEntity user) {
        // people are kept already
    }
}

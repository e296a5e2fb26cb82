package wendo.app.place.proofs;

import jakarta.persistence.EntityManager;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessId;
import wendo.app.visit.visits.ProofBook;
import wendo.core.visits.ClickId;

/** Opens proofs, and knows which are open. */
@Service
public class Proofs implements ProofBook {
    /** Long enough for a walk to the printer; short enough that a forgotten phone counts again the same day. */
    static final Duration OPEN_FOR = Duration.ofHours(2);

    static final int MOST_LINKS = 100;

    private final ProofRepository repository;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Proofs(ProofRepository repository, EntityManager entities, JdbcClient jdbc, Clock clock) {
        this.repository = repository;
        this.entities = entities;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param token what a phone shows to take part; whoever has it can only look at this proof */
    record Proof(UUID id, String token, Instant openedAt, Instant openUntil, String openedBy) {
        public boolean isOpen(Instant now) {
            return now.isBefore(openUntil);
        }
    }

    /** A token that was shown, whoever shows it. */
    record Shown(BusinessId business, UUID proof, Instant openUntil) {}

    @Transactional
    UUID open(List<UUID> links, String by) {
        Instant now = clock.instant();
        StoredProof proof = new StoredProof(ClickId.of(now, random).toString(), now, now.plus(OPEN_FOR), by);
        repository.save(proof);
        int place = 0;
        for (UUID link : links) {
            entities.persist(new ProofLink(proof.id(), link, place++));
        }
        return proof.id();
    }

    /** The path under which a phone takes part, so that what it opens of this link is not counted. */
    @Transactional
    public String begin(UUID link, String by) {
        return "/t/proofs/" + find(open(List.of(link), by)).orElseThrow().token();
    }

    @Transactional
    void end(UUID id) {
        repository.findById(id).ifPresent(proof -> proof.end(clock.instant()));
    }

    @Transactional(readOnly = true)
    Optional<Proof> find(UUID id) {
        return repository.findById(id).map(StoredProof::proof);
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    List<Proof> of(UUID link) {
        return repository.ofLink(link).stream().map(StoredProof::proof).toList();
    }

    @Transactional(readOnly = true)
    Optional<Shown> findShown(String token) {
        return jdbc.sql("select business_id, proof_id, open_until from door_proof(?)")
                .param(token)
                .query((row, number) -> new Shown(
                        new BusinessId(row.getObject(1, UUID.class)),
                        row.getObject(2, UUID.class),
                        row.getTimestamp(3).toInstant()))
                .optional();
    }

    /** Asked for each visit of a phone that takes part; it runs in the transaction that stores the visit. */
    @Override
    public Optional<UUID> find(String token, Instant at) {
        return jdbc.sql("select id from proof where token = ? and ? >= opened_at and ? < open_until")
                .params(token, Timestamp.from(at), Timestamp.from(at))
                .query(UUID.class)
                .optional();
    }
}

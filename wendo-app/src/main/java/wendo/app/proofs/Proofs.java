package wendo.app.proofs;

import java.security.SecureRandom;
import java.sql.ResultSet;
import java.sql.SQLException;
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
import wendo.app.business.BusinessId;
import wendo.app.business.BusinessScope;
import wendo.app.visits.ProofBook;
import wendo.core.visits.ClickId;

/** Opens proofs, and knows which are open. */
@Service
class Proofs implements ProofBook {
    /** Long enough for a walk to the printer; short enough that a forgotten phone counts again the same day. */
    static final Duration OPEN_FOR = Duration.ofHours(2);

    static final int MOST_LINKS = 100;

    private static final String PROOFS = "select id, token, opened_at, open_until, opened_by from proof ";

    private final JdbcClient jdbc;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Proofs(JdbcClient jdbc, Clock clock) {
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
        UUID id = UUID.randomUUID();
        Instant now = clock.instant();
        jdbc.sql("insert into proof values (?, ?, ?, ?, ?, ?)")
                .params(
                        id,
                        BusinessScope.current().value(),
                        ClickId.of(now, random).toString())
                .params(Timestamp.from(now), Timestamp.from(now.plus(OPEN_FOR)), by)
                .update();
        int place = 0;
        for (UUID link : links) {
            jdbc.sql("insert into proof_link values (?, ?, ?, ?)")
                    .params(BusinessScope.current().value(), id, link, place++)
                    .update();
        }
        return id;
    }

    @Transactional
    void end(UUID id) {
        jdbc.sql("update proof set open_until = least(open_until, ?) where id = ?")
                .params(Timestamp.from(clock.instant()), id)
                .update();
    }

    @Transactional(readOnly = true)
    Optional<Proof> find(UUID id) {
        return jdbc.sql(PROOFS + "where id = ?").param(id).query(Proofs::proof).optional();
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    List<Proof> of(UUID link) {
        return jdbc.sql(PROOFS
                        + "where id in (select proof_id from proof_link where link_id = ?) order by opened_at desc")
                .param(link)
                .query(Proofs::proof)
                .list();
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

    private static Proof proof(ResultSet row, int number) throws SQLException {
        return new Proof(
                row.getObject(1, UUID.class),
                row.getString(2),
                row.getTimestamp(3).toInstant(),
                row.getTimestamp(4).toInstant(),
                row.getString(5));
    }
}

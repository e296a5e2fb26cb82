package wendo.app.desk.demo;

import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.core.visits.ClickId;
import wendo.simulation.Season;

/** The demo business proved each of its links before it went out. Runs in the business's scope. */
@Component
class DemoProofs {
    private static final Duration BEFORE = Duration.ofMinutes(2);
    private static final Duration OPEN_FOR = Duration.ofHours(2);

    private final JdbcClient jdbc;
    private final SecureRandom random = new SecureRandom();

    DemoProofs(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** The token of the proof of each of these links, by slug. */
    Map<String, String> open(List<Season.Came> tests, Map<String, UUID> links) {
        Map<String, Instant> first = tests.stream()
                .collect(Collectors.toMap(
                        Season.Came::slug,
                        test -> test.click().arrivedAt(),
                        (one, other) -> one.isBefore(other) ? one : other));
        Map<String, String> tokens = new HashMap<>();
        first.entrySet().stream()
                .sorted(Map.Entry.comparingByValue(Comparator.naturalOrder()))
                .forEach(link -> tokens.put(
                        link.getKey(),
                        open(
                                Objects.requireNonNull(links.get(link.getKey())),
                                link.getValue().minus(BEFORE))));
        return tokens;
    }

    private String open(UUID link, Instant at) {
        UUID proof = UUID.randomUUID();
        String token = ClickId.of(at, random).toString();
        jdbc.sql("""
                        with opened as (
                            insert into proof
                            select :proof, business_id, :token, :at, :until, 'Maren Holt' from link where id = :link
                            returning business_id)
                        insert into proof_link select business_id, :proof, :link, 0 from opened
                        """)
                .param("proof", proof)
                .param("token", token)
                .param("at", Timestamp.from(at))
                .param("until", Timestamp.from(at.plus(OPEN_FOR)))
                .param("link", link)
                .update();
        return token;
    }
}

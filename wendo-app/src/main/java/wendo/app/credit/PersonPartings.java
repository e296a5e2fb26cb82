package wendo.app.credit;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Parts what was taken for one person. Runs in the transaction of its caller, like the joining. */
@Component
class PersonPartings {
    private final Identities identities;
    private final JdbcClient jdbc;
    private final Clock clock;

    PersonPartings(Identities identities, JdbcClient jdbc, Clock clock) {
        this.identities = identities;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Undoes a join: what hangs together without it stays one person each. */
    List<UUID> part(UUID one, UUID other, String by) {
        int undone = jdbc.sql("""
                        update identity_join set undone_at = ?, undone_by = ?
                        where one = ? and other = ? and undone_at is null
                        """)
                .params(Timestamp.from(clock.instant()), by, one, other)
                .update();
        if (undone == 0) {
            return List.of();
        }
        UUID before = identities.person(one);
        List<UUID> affected = identities.outcomesOf(before);
        tellApart(before);
        return affected;
    }

    private void tellApart(UUID person) {
        Map<UUID, UUID> leaders = new HashMap<>();
        identities.ofPerson(person).forEach(identity -> leaders.put(identity.id(), identity.id()));
        for (Identities.Join join : identities.joins(person)) {
            if (!join.isUndone()) {
                leaders.put(
                        leader(leaders, join.one().id()),
                        leader(leaders, join.other().id()));
            }
        }
        Map<UUID, UUID> persons = new HashMap<>();
        for (UUID identity : leaders.keySet()) {
            UUID own = persons.computeIfAbsent(
                    leader(leaders, identity), leader -> persons.isEmpty() ? person : UUID.randomUUID());
            identities.belong(identity, own);
        }
    }

    private static UUID leader(Map<UUID, UUID> leaders, UUID identity) {
        UUID at = identity;
        UUID above = leaders.getOrDefault(at, at);
        while (!above.equals(at)) {
            at = above;
            above = leaders.getOrDefault(at, at);
        }
        return at;
    }
}

package wendo.app.visit.visits;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;

/**
 * Who opened which link last, whichever process answered it. Used in the transaction that stores visits, after it has
 * locked the sums of its business: so two processes that store two taps of one person see each other's.
 */
@Component
class LastTaps {
    private final JdbcClient jdbc;

    LastTaps(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    record Tap(UUID link, UUID visitor, UUID click, Instant at) {
        private Key key() {
            return new Key(link, visitor);
        }
    }

    private record Key(UUID link, UUID visitor) {}

    /**
     * Keeps these taps.
     *
     * @return for each, in their order, when the same visitor opened the same link last by another visit; empty if that
     *     is not known
     */
    List<Optional<Instant>> replace(List<Tap> taps) {
        if (taps.isEmpty()) {
            return List.of();
        }
        Map<Key, Tap> last = stored(taps);
        Map<Key, Tap> changed = new HashMap<>();
        List<Optional<Instant>> previous = new ArrayList<>();
        for (Tap tap : taps) {
            Optional<Tap> before = Optional.ofNullable(last.get(tap.key()));
            // A visit that is stored once more, after a crash, is not its own repeat.
            previous.add(before.filter(one -> !one.click().equals(tap.click())).map(Tap::at));
            if (before.isEmpty() || before.get().at().isBefore(tap.at())) {
                last.put(tap.key(), tap);
                changed.put(tap.key(), tap);
            }
        }
        keep(changed.values());
        return previous;
    }

    private Map<Key, Tap> stored(List<Tap> taps) {
        Map<Key, Tap> stored = new HashMap<>();
        jdbc.sql("""
                        select t.link_id, t.visitor, t.click_id, t.tapped_at from unnest(?, ?) as asked (link, visitor)
                        join last_tap t on t.link_id = asked.link and t.visitor = asked.visitor
                        """).params(ids(taps, Tap::link), ids(taps, Tap::visitor)).query(row -> {
            Tap tap = new Tap(
                    row.getObject(1, UUID.class),
                    row.getObject(2, UUID.class),
                    row.getObject(3, UUID.class),
                    row.getTimestamp(4).toInstant());
            stored.put(tap.key(), tap);
        });
        return stored;
    }

    private void keep(Collection<Tap> taps) {
        String[] times = taps.stream().map(tap -> tap.at().toString()).toArray(String[]::new);
        jdbc.sql("""
                        insert into last_tap (business_id, link_id, visitor, click_id, tapped_at)
                        select ?, t.* from unnest(?, ?, ?, cast(? as timestamptz[])) as t
                        on conflict (link_id, visitor) do update
                        set click_id = excluded.click_id, tapped_at = excluded.tapped_at
                        """)
                .params(
                        BusinessScope.current().value(),
                        ids(taps, Tap::link),
                        ids(taps, Tap::visitor),
                        ids(taps, Tap::click),
                        times)
                .update();
    }

    private static UUID[] ids(Collection<Tap> taps, Function<Tap, UUID> id) {
        return taps.stream().map(id).toArray(UUID[]::new);
    }
}

package wendo.app.visit.outbound;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.OptionalLong;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.visits.OutgoingPattern;

/** The patterns of a business, and what each is worth. */
@Service
class OutboundPatterns {
    /** What was measured within this many days, of outcomes at most this long after the click, is the average. */
    static final int MEASURED_DAYS = 90;

    static final int OUTCOME_WITHIN_DAYS = 30;

    private final JdbcClient jdbc;
    private final PatternRepository repository;
    private final Clock clock;

    OutboundPatterns(JdbcClient jdbc, PatternRepository repository, Clock clock) {
        this.jdbc = jdbc;
        this.repository = repository;
        this.clock = clock;
    }

    /**
     * A pattern with what its links brought within the last 90 days.
     *
     * @param set the amount that the business says one is worth; empty if what was measured counts
     */
    record Kept(UUID id, String name, String pattern, OptionalLong set, long clicks, long valueMinor) {

        /** What one is worth in minor units, rounded half up; empty if there is nothing to measure it by. */
        public OptionalLong worthMinor() {
            return set.isPresent() || clicks == 0 ? set : OptionalLong.of((valueMinor * 2 + clicks) / (clicks * 2));
        }
    }

    @Transactional(readOnly = true)
    List<Kept> all() {
        return jdbc.sql(OutboundQueries.MATCHED + """
                        , worth as (
                            select m.pattern_id, count(*) as clicks, coalesce(sum((
                                select sum(o.kept_minor) from outcome o
                                where o.visitor = m.visitor and o.kind <> 'lead' and not o.is_proof and o.counts
                                    and o.occurred_at > m.clicked_at
                                    and o.occurred_at <= m.clicked_at + make_interval(days => :within)
                                    and not exists (select from matched later
                                        where later.visitor = m.visitor and later.pattern_id = m.pattern_id
                                            and later.clicked_at > m.clicked_at and later.clicked_at < o.occurred_at))), 0)
                                as value_minor
                            from matched m group by 1)
                        select p.id, p.name, p.pattern, p.worth_minor, coalesce(w.clicks, 0), coalesce(w.value_minor, 0)
                        from outbound_pattern p left join worth w on w.pattern_id = p.id order by p.name, p.pattern
                        """)
                .param("from", Timestamp.from(clock.instant().minusSeconds(MEASURED_DAYS * 86_400L)))
                .param("to", Timestamp.from(clock.instant().plusSeconds(1)))
                .param("within", OUTCOME_WITHIN_DAYS)
                .query((row, number) -> new Kept(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        row.getObject(4) == null ? OptionalLong.empty() : OptionalLong.of(row.getLong(4)),
                        row.getLong(5),
                        row.getLong(6)))
                .list();
    }

    /** A pattern that is there already is refused by its unique key. */
    @Transactional
    void add(String name, OutgoingPattern pattern, OptionalLong worthMinor, String by) {
        repository.save(new StoredPattern(name, pattern, worthMinor, clock.instant(), by));
    }

    @Transactional
    void remove(UUID id) {
        repository.deleteById(id);
    }
}

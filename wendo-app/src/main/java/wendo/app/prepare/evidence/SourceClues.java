package wendo.app.prepare.evidence;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.Limits;
import wendo.core.links.Channel;

/** Which source a code or an answer stands for. */
@Service
class SourceClues {
    static final int MAX_SHOWN = Limits.ANSWER;

    private final JdbcClient jdbc;
    private final SourceClueRepository repository;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    SourceClues(JdbcClient jdbc, SourceClueRepository repository, ApplicationEventPublisher events, Clock clock) {
        this.jdbc = jdbc;
        this.repository = repository;
        this.events = events;
        this.clock = clock;
    }

    /** A code or an answer with its source, and how many outcomes it came with. */
    record Standing(
            ClueKind kind, String key, String shown, UUID source, String name, Channel channel, long outcomes) {}

    /** One that came with outcomes and stands for nothing. */
    record Unmatched(ClueKind kind, String key, String shown, long outcomes, Instant latest) {}

    @Transactional(readOnly = true)
    List<Standing> all() {
        return jdbc.sql("""
                        select c.kind, c.key, c.shown, s.id, s.name, s.channel, (
                            select count(*) from outcome o where not o.is_proof
                                and ((c.kind = 'code' and o.code_key = c.key) or (c.kind = 'answer' and o.answer_key = c.key)
                                    or (c.kind = 'referrer' and exists (select from outcome_clue u
                                        where u.outcome_id = o.id and u.evidence = 'referrer' and u.source_id = c.source_id))))
                        from source_clue c join source s on s.id = c.source_id order by c.kind desc, c.shown
                        """)
                .query((row, number) -> new Standing(
                        ClueKind.find(row.getString(1)).orElseThrow(),
                        row.getString(2),
                        row.getString(3),
                        row.getObject(4, UUID.class),
                        row.getString(5),
                        Channel.valueOf(row.getString(6)),
                        row.getLong(7)))
                .list();
    }

    @Transactional(readOnly = true)
    List<Unmatched> unmatched() {
        return jdbc.sql("""
                        select c.evidence, case c.evidence when 'code' then o.code_key else o.answer_key end as key,
                            min(c.said), count(*), max(o.occurred_at)
                        from outcome_clue c join outcome o on o.id = c.outcome_id
                        where c.source_id is null and c.evidence in ('code', 'answer') and not o.is_proof
                        group by 1, 2 order by 4 desc, 5 desc limit 200
                        """)
                .query((row, number) -> new Unmatched(
                        ClueKind.find(row.getString(1)).orElseThrow(),
                        row.getString(2),
                        row.getString(3),
                        row.getLong(4),
                        row.getTimestamp(5).toInstant()))
                .list();
    }

    /** The name of the source that a code or an answer stands for already, if it is another one. */
    @Transactional(readOnly = true)
    Optional<String> taken(ClueKind kind, String key, UUID source) {
        return jdbc.sql("""
                        select s.name from source_clue c join source s on s.id = c.source_id
                        where c.kind = ? and c.key = ? and c.source_id <> ?
                        """).params(kind.key(), key, source).query(String.class).optional();
    }

    /** What stands for a source already is refused by its unique key. */
    @Transactional
    void add(SourceClue.Key key, String shown, UUID source, String by) {
        repository.save(new SourceClue(key, shown, source, clock.instant(), by));
        events.publishEvent(new ClueChanged(BusinessScope.current(), key.kind(), key.key()));
    }

    @Transactional
    void remove(ClueKind kind, String key) {
        repository.findById(new SourceClue.Key(kind.key(), key)).ifPresent(repository::delete);
        events.publishEvent(new ClueChanged(BusinessScope.current(), kind.key(), key));
    }
}

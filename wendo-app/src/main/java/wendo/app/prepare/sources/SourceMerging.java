package wendo.app.prepare.sources;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes one source of two that turned out the same, and keeps what was done. */
@Service
class SourceMerging {
    private final SourceRepository repository;
    private final SourceMergeRepository merges;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    /** What moves, or moved, along with a merged source. */
    record Moves(long links, long visits) {}

    /** One merge as its history shows it. */
    record Done(String mergedName, String reason, Moves moves, Instant at, String by) {}

    SourceMerging(
            SourceRepository repository,
            SourceMergeRepository merges,
            EntityManager entities,
            JdbcClient jdbc,
            ApplicationEventPublisher events,
            Clock clock) {
        this.repository = repository;
        this.merges = merges;
        this.entities = entities;
        this.jdbc = jdbc;
        this.events = events;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    Moves moves(UUID merged) {
        return jdbc.sql("""
                        select (select count(*) from link where source_id = :source),
                            (select count(*) from visit where source_id = :source)
                        """)
                .param("source", merged)
                .query((row, number) -> new Moves(row.getLong(1), row.getLong(2)))
                .single();
    }

    /** False if either was merged or is gone, or both are one. */
    @Transactional
    boolean merge(UUID kept, UUID merged, String reason, String by) {
        List<Source> both = jdbc
                .sql("""
                        select id from source where id in (?, ?) and merged_into is null
                        order by id for no key update
                        """) // locked so that inserting rows that refer to them does not wait
                .params(kept, merged)
                .query(UUID.class)
                .list()
                .stream()
                .flatMap(id -> repository.findById(id).stream())
                .toList();
        if (both.size() != 2) {
            return false;
        }
        Source away = repository.findById(merged).orElseThrow();
        Moves moves = moves(merged);
        away.mergeInto(repository.findById(kept).orElseThrow(), clock.instant());
        entities.persist(
                new SourceMerge(kept, merged, new Done(away.listed().name(), reason, moves, clock.instant(), by)));
        entities.flush();
        events.publishEvent(new SourcesMerged(kept, merged));
        return true;
    }

    @Transactional(readOnly = true)
    List<Done> history(UUID kept) {
        return merges.findByKeptIdOrderByMergedAtDesc(kept).stream()
                .map(SourceMerge::done)
                .toList();
    }
}

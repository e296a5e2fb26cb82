package wendo.app.place.signposts;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Limits;

/** The signposts of the current business, and their entries in order. */
@Service
class Signposts {
    static final int MAX_TITLE = Limits.TITLE;
    static final int MAX_TEXT = Limits.TEXT;
    static final int MAX_ENTRIES = 30;

    private static final String SIGNPOSTS = """
            select s.id, s.title, s.text, s.source_id, s.campaign_id, s.link_id,
                coalesce((select h.origin || '/' || l.slug from link l join link_host h on h.id = l.host_id
                    where l.id = s.link_id), '') as url,
                (select count(*) from signpost_entry e where e.signpost_id = s.id) as entries
            from signpost s
            """;

    private final JdbcClient jdbc;
    private final SignpostRepository repository;
    private final EntityManager entities;
    private final Clock clock;

    Signposts(JdbcClient jdbc, SignpostRepository repository, EntityManager entities, Clock clock) {
        this.jdbc = jdbc;
        this.repository = repository;
        this.entities = entities;
        this.clock = clock;
    }

    /** @param url the link that leads to it; empty text while it has none */
    record Signpost(
            UUID id,
            String title,
            String text,
            UUID source,
            UUID campaign,
            Optional<UUID> link,
            String url,
            long entries) {}

    /** @param people those who went on by it in the period that was asked for */
    record Entry(
            UUID id,
            String title,
            UUID link,
            String url,
            Optional<Instant> firstAt,
            Optional<Instant> lastAt,
            long people) {
        public boolean isShown(Instant now) {
            return firstAt.map(first -> !now.isBefore(first)).orElse(true)
                    && lastAt.map(now::isBefore).orElse(true);
        }
    }

    /** What a signpost belongs to. */
    record About(UUID source, UUID campaign) {}

    @Transactional(readOnly = true)
    List<Signpost> list() {
        return jdbc.sql(SIGNPOSTS + "order by s.created_at desc")
                .query(Signposts::signpost)
                .list();
    }

    @Transactional(readOnly = true)
    Optional<Signpost> find(UUID id) {
        return jdbc.sql(SIGNPOSTS + "where s.id = ?")
                .param(id)
                .query(Signposts::signpost)
                .optional();
    }

    /** Whose signpost this is; asked by anybody. */
    @Transactional(readOnly = true)
    Optional<BusinessId> businessOf(UUID id) {
        return jdbc.sql("select door_signpost(?)")
                .param(id)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    @Transactional
    UUID add(String title, String text, About about, String by) {
        StoredSignpost signpost = new StoredSignpost(about, clock.instant(), by);
        signpost.describe(title, text);
        repository.save(signpost);
        return signpost.id();
    }

    @Transactional
    void leadHere(UUID id, UUID link) {
        repository.findById(id).orElseThrow().leadHere(link);
    }

    @Transactional(readOnly = true)
    int version(UUID id) {
        return repository.findById(id).map(StoredSignpost::version).orElse(0);
    }

    @Transactional
    void describe(UUID id, EditedVersion edited, String title, String text) {
        StoredSignpost signpost = repository.findById(id).orElseThrow();
        signpost.mustStillBe(edited);
        signpost.describe(title, text);
    }

    /** At the end; nothing is added where there are as many as there may be. */
    @Transactional
    void addEntry(UUID signpost, StoredEntry entry) {
        changed(signpost).add(entry);
    }

    @Transactional
    void removeEntry(UUID signpost, UUID entry) {
        changed(signpost).remove(entry);
    }

    /** Changes places with the entry above. */
    @Transactional
    void moveUp(UUID signpost, UUID entry) {
        changed(signpost).moveUp(entry);
    }

    /** Entries are rows of their own; of two who change them at once the second waits. */
    private StoredSignpost changed(UUID id) {
        StoredSignpost signpost = repository.findById(id).orElseThrow();
        entities.lock(signpost, LockModeType.PESSIMISTIC_WRITE);
        return signpost;
    }

    /** In their order, with the people who went on by each since a day. */
    @Transactional(readOnly = true)
    List<Entry> entries(UUID signpost, LocalDate since) {
        return jdbc.sql("""
                        select e.id, e.title, e.link_id, h.origin || '/' || l.slug, e.first_at, e.last_at,
                            (select coalesce(sum(p.people), 0) from visit_person_sum p
                                where p.scope = 'link' and p.scope_id = l.id and p.counted and p.day >= :since
                                    and p.day_before < :since)
                        from signpost_entry e join link l on l.id = e.link_id join link_host h on h.id = l.host_id
                        where e.signpost_id = :signpost order by e.place
                        """)
                .param("since", since)
                .param("signpost", signpost)
                .query((row, number) -> new Entry(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getObject(3, UUID.class),
                        row.getString(4),
                        Optional.ofNullable(row.getTimestamp(5)).map(Timestamp::toInstant),
                        Optional.ofNullable(row.getTimestamp(6)).map(Timestamp::toInstant),
                        row.getLong(7)))
                .list();
    }

    /** Those that are shown now, without any counting. */
    @Transactional(readOnly = true)
    List<Entry> shown(UUID signpost) {
        Instant now = clock.instant();
        return entries(signpost, LocalDate.MAX).stream()
                .filter(entry -> entry.isShown(now))
                .toList();
    }

    private static Signpost signpost(ResultSet row, int number) throws SQLException {
        return new Signpost(
                row.getObject("id", UUID.class),
                row.getString("title"),
                row.getString("text"),
                row.getObject("source_id", UUID.class),
                row.getObject("campaign_id", UUID.class),
                Optional.ofNullable(row.getObject("link_id", UUID.class)),
                row.getString("url"),
                row.getLong("entries"));
    }
}

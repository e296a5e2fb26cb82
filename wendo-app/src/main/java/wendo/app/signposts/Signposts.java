package wendo.app.signposts;

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
import wendo.app.business.BusinessId;
import wendo.app.business.BusinessScope;

/** The signposts of the current business, and their entries in order. */
@Service
class Signposts {
    static final int MAX_TITLE = 120;
    static final int MAX_TEXT = 600;
    static final int MAX_ENTRIES = 30;

    private static final String SIGNPOSTS = """
            select s.id, s.title, s.text, s.source_id, s.campaign_id, s.link_id,
                coalesce((select h.origin || '/' || l.slug from link l join link_host h on h.id = l.host_id
                    where l.id = s.link_id), '') as url,
                (select count(*) from signpost_entry e where e.signpost_id = s.id) as entries
            from signpost s
            """;

    private final JdbcClient jdbc;
    private final Clock clock;

    Signposts(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
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
    UUID add(String title, String text, UUID source, UUID campaign, String by) {
        UUID id = UUID.randomUUID();
        jdbc.sql("insert into signpost values (?, ?, ?, ?, ?, ?, null, ?, ?)")
                .params(id, BusinessScope.current().value(), title, text, source, campaign)
                .params(Timestamp.from(clock.instant()), by)
                .update();
        return id;
    }

    @Transactional
    void leadHere(UUID id, UUID link) {
        jdbc.sql("update signpost set link_id = ? where id = ?")
                .params(link, id)
                .update();
    }

    @Transactional
    void describe(UUID id, String title, String text) {
        jdbc.sql("update signpost set title = ?, text = ? where id = ?")
                .params(title, text, id)
                .update();
    }

    /** At the end; nothing is added where there are as many as there may be. */
    @Transactional
    void addEntry(UUID signpost, String title, UUID link, Optional<Instant> first, Optional<Instant> last) {
        jdbc.sql("""
                        insert into signpost_entry
                        select ?, ?, ?, coalesce(max(place), 0) + 1, ?, ?, ?, ?
                        from signpost_entry where signpost_id = ? having count(*) < ?
                        """)
                .params(UUID.randomUUID(), BusinessScope.current().value(), signpost, title, link)
                .param(first.map(Timestamp::from).orElse(null))
                .param(last.map(Timestamp::from).orElse(null))
                .params(signpost, MAX_ENTRIES)
                .update();
    }

    @Transactional
    void removeEntry(UUID signpost, UUID entry) {
        jdbc.sql("delete from signpost_entry where id = ? and signpost_id = ?")
                .params(entry, signpost)
                .update();
    }

    /** Changes places with the entry above. */
    @Transactional
    void moveUp(UUID signpost, UUID entry) {
        jdbc.sql("""
                        with placed as (
                            select id, place, lag(id) over (order by place) as above, lag(place) over (order by place) as up
                            from signpost_entry where signpost_id = ?),
                        moved as (select id, up as place from placed where id = ? and above is not null
                            union all
                            select above, place from placed where id = ? and above is not null)
                        update signpost_entry e set place = moved.place from moved where e.id = moved.id
                        """).params(signpost, entry, entry).update();
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

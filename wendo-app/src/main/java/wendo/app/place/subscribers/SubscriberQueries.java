package wendo.app.place.subscribers;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.FilterValues;

/** The SQL of lists of subscribers. Tests are left out. */
@Component
class SubscriberQueries {
    static final int PAGE = 100;
    private static final int FETCHED = 500;

    private static final String CHOSEN = """
            from subscriber u
            left join link l on l.id = u.link_id
            left join source s on s.id = l.source_id
            left join campaign c on c.id = l.campaign_id
            left join lateral (
                select w.words, a.given_at, a.page, a.withdrawn_at
                from consent_record a join consent_words w on w.id = a.words_id
                where a.contact = u.email and a.purpose = 'email-news'
                order by a.withdrawn_at is not null, a.given_at desc limit 1) r on true
            where u.proof_id is null and u.subscribed_at >= :since
                and (:state = 'ALL' or (:state = 'SUBSCRIBED') = (r.given_at is not null and r.withdrawn_at is null))
                and (cast(:source as uuid) is null or l.source_id = cast(:source as uuid))
                and (cast(:link as uuid) is null or u.link_id = cast(:link as uuid))
                and (cast(:list as uuid) is null or exists (select from list_member m
                    where m.subscriber_id = u.id and m.list_id = cast(:list as uuid) and m.left_at is null))
                and (:label = '' or :label = any(u.labels))
                and (cast(:person as uuid) is null or u.id = cast(:person as uuid))
                and (:needle = '%%' or lower(concat_ws(' ', u.email, l.name, s.name, c.name)) like :needle)
            """;

    private static final String ROWS = """
            select u.email, u.subscribed_at, coalesce(l.name, ''), coalesce(s.name, ''), coalesce(c.name, ''),
                coalesce(r.words, ''), r.given_at, coalesce(r.page, ''), r.withdrawn_at, l.id, u.id, u.labels,
                coalesce((select string_agg(n.name, ', ' order by n.name) from list_member m
                    join newsletter_list n on n.id = m.list_id
                    where m.subscriber_id = u.id and m.left_at is null), '')
            """;

    private final JdbcClient jdbc;

    SubscriberQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * A subscriber with what they agreed to last.
     *
     * @param words empty text if there is no record of it
     * @param withdrawnAt empty while it stands
     * @param lists the names of those that they are on
     */
    record Row(
            String email,
            Instant subscribedAt,
            String link,
            String source,
            String campaign,
            String words,
            Optional<Instant> agreedAt,
            String page,
            Optional<Instant> withdrawnAt,
            Optional<UUID> linkId,
            UUID id,
            List<String> labels,
            String lists) {
        public boolean isSubscribed() {
            return agreedAt.isPresent() && withdrawnAt.isEmpty();
        }
    }

    private static String order(SubscriberFilter filter) {
        return "order by " + filter.look().orderBy() + ", u.subscribed_at desc, u.email ";
    }

    @Transactional(readOnly = true)
    List<Row> page(SubscriberFilter filter, Instant now, int page) {
        return chosen(ROWS + CHOSEN + order(filter) + "limit :limit offset :offset", filter, now)
                .param("limit", PAGE)
                .param("offset", (long) page * PAGE)
                .query((row, number) -> row(row))
                .list();
    }

    @Transactional(readOnly = true)
    long count(SubscriberFilter filter, Instant now) {
        return chosen("select count(*) " + CHOSEN, filter, now)
                .query(Long.class)
                .single();
    }

    /** The e-mail addresses of those who subscribed, each once. */
    @Transactional(readOnly = true)
    List<String> emails(List<UUID> subscribers) {
        return jdbc.sql(
                        "select distinct email from subscriber where id = any (:ids) and proof_id is null order by email")
                .param("ids", subscribers.toArray(UUID[]::new))
                .query(String.class)
                .list();
    }

    /** All labels that subscribers have. */
    @Transactional(readOnly = true)
    List<String> labels() {
        return jdbc.sql("select distinct unnest(labels) as label from subscriber where proof_id is null order by label")
                .query(String.class)
                .list();
    }

    /** How many are on a list, left it, or were asked and have not confirmed yet. */
    record Standing(long on, long left, long asked) {}

    @Transactional(readOnly = true)
    Standing standing(UUID list, Instant now) {
        return jdbc.sql("""
                        select (select count(*) from list_member where list_id = :list and left_at is null),
                            (select count(*) from list_member where list_id = :list and left_at is not null),
                            (select count(*) from join_request
                                where list_id = :list and confirmed_at is null and expires_at >= :now)
                        """)
                .param("list", list)
                .param("now", Timestamp.from(now))
                .query((row, number) -> new Standing(row.getLong(1), row.getLong(2), row.getLong(3)))
                .single();
    }

    /** Somebody who was asked by mail and has not confirmed. */
    record Waiting(String email, Instant askedAt, Instant expiresAt, String source) {}

    @Transactional(readOnly = true)
    List<Waiting> waiting(UUID list, Instant now) {
        return jdbc.sql("""
                        select r.email, r.asked_at, r.expires_at, coalesce(s.name, '')
                        from join_request r left join link l on l.id = r.link_id left join source s on s.id = l.source_id
                        where r.list_id = ? and r.confirmed_at is null and r.expires_at >= ?
                        order by r.asked_at desc limit 50
                        """)
                .params(list, Timestamp.from(now))
                .query((row, number) -> new Waiting(
                        row.getString(1),
                        row.getTimestamp(2).toInstant(),
                        row.getTimestamp(3).toInstant(),
                        row.getString(4)))
                .list();
    }

    /** All of them in their order, read as they are taken. */
    @Transactional(readOnly = true)
    void each(SubscriberFilter filter, Instant now, Consumer<Iterator<Row>> taker) {
        try (Stream<Row> rows = chosen(ROWS + CHOSEN + order(filter), filter, now)
                .withFetchSize(FETCHED)
                .query((row, number) -> row(row))
                .stream()) {
            taker.accept(rows.iterator());
        }
    }

    private JdbcClient.StatementSpec chosen(String sql, SubscriberFilter filter, Instant now) {
        return jdbc.sql(sql)
                .param("since", Timestamp.from(filter.since(now)))
                .param("state", filter.state().name())
                .param("source", filter.source().map(UUID::toString).orElse(null))
                .param("link", filter.link().map(UUID::toString).orElse(null))
                .param("list", filter.list().map(UUID::toString).orElse(null))
                .param("label", filter.label())
                .param("person", filter.person().map(UUID::toString).orElse(null))
                .param("needle", "%" + FilterValues.needle(filter.find()) + "%");
    }

    private static Row row(ResultSet row) throws SQLException {
        return new Row(
                row.getString(1),
                row.getTimestamp(2).toInstant(),
                row.getString(3),
                row.getString(4),
                row.getString(5),
                row.getString(6),
                Optional.ofNullable(row.getTimestamp(7)).map(Timestamp::toInstant),
                row.getString(8),
                Optional.ofNullable(row.getTimestamp(9)).map(Timestamp::toInstant),
                Optional.ofNullable(row.getObject(10, UUID.class)),
                row.getObject(11, UUID.class),
                List.of((String[]) row.getArray(12).getArray()),
                row.getString(13));
    }
}

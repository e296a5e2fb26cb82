package wendo.app.platform.consent;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Records of consent as pages and files show them. */
@Component
public class ConsentQueries {
    static final int PAGE = 50;

    private static final String ROWS = """
            select r.id, r.contact, r.purpose, w.words, w.edition, w.place, coalesce(f.name, l.name, s.name, case when w.place = 'told' then r.page else '' end), r.page,
                r.given_at, r.withdrawn_at, r.withdrawn_how, r.withdrawn_by
            from consent_record r join consent_words w on w.id = r.words_id
            left join entry_form f on w.place = 'form' and f.id = w.place_id
            left join link l on w.place = 'opt-in' and l.id = w.place_id
            left join recipient_list s on w.place = 'list' and s.id = w.place_id
            """;

    private final JdbcClient jdbc;

    ConsentQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * One record.
     *
     * @param placeName the form's, link's or list's own name, or who was told
     * @param withdrawn how and by whom; empty while it stands
     */
    public record Row(
            UUID id,
            String contact,
            ConsentPurpose purpose,
            String words,
            int edition,
            ConsentPlace place,
            String placeName,
            String page,
            Instant givenAt,
            Optional<Withdrawn> withdrawn) {}

    public record Withdrawn(Instant at, Withdrawal how, String by) {}

    /** All records of these contacts, newest first. */
    @Transactional(readOnly = true)
    public List<Row> of(List<String> contacts) {
        List<String> known =
                contacts.stream().filter(contact -> !contact.isEmpty()).toList();
        return known.isEmpty()
                ? List.of()
                : jdbc.sql(ROWS + "where r.contact in (:contacts) order by r.given_at desc, r.purpose limit 100")
                        .param("contacts", known)
                        .query(ConsentQueries::row)
                        .list();
    }

    /** Of all contacts that hold this fragment, newest first. */
    @Transactional(readOnly = true)
    List<Row> search(String fragment, int page) {
        return jdbc.sql(ROWS + """
                        where strpos(r.contact, :fragment) > 0
                        order by r.given_at desc, r.id limit :limit offset :offset
                        """)
                .param("fragment", fragment)
                .param("limit", PAGE + 1)
                .param("offset", (long) page * PAGE)
                .query(ConsentQueries::row)
                .list();
    }

    /** All records, oldest first, for a file. */
    @Transactional(readOnly = true)
    List<Row> all() {
        return jdbc.sql(ROWS + "order by r.given_at, r.id")
                .query(ConsentQueries::row)
                .list();
    }

    private static Row row(ResultSet row, int number) throws SQLException {
        return new Row(
                row.getObject(1, UUID.class),
                row.getString(2),
                ConsentPurpose.find(row.getString(3)).orElseThrow(),
                row.getString(4),
                row.getInt(5),
                ConsentPlace.of(row.getString(6)),
                row.getString(7),
                row.getString(8),
                row.getTimestamp(9).toInstant(),
                withdrawn(row.getTimestamp(10), row.getString(11), row.getString(12)));
    }

    private static Optional<Withdrawn> withdrawn(@Nullable Timestamp at, @Nullable String how, @Nullable String by) {
        return at == null || how == null
                ? Optional.empty()
                : Optional.of(new Withdrawn(at.toInstant(), Withdrawal.of(how), by == null ? "" : by));
    }
}

package wendo.app.audience.visitortags;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What visitors answered, the latest first. */
@Component
class VisitorConsentQueries {
    private static final String ROWS = """
            select c.answered_at, coalesce(b.name, '') as brand, c.answer, c.purposes, c.words, c.language, c.page, c.visitor,
                l.name as link
            from visitor_consent c left join brand b on b.id = c.brand_id join link l on l.id = c.link_id
            order by c.answered_at desc, c.id limit ?
            """;

    private final JdbcClient jdbc;

    VisitorConsentQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param brand empty text for the business itself */
    record Row(
            Instant answeredAt,
            String brand,
            String answer,
            String purposes,
            String words,
            String language,
            String page,
            UUID visitor,
            String link) {}

    @Transactional(readOnly = true)
    public List<Row> latest(int most) {
        return jdbc.sql(ROWS)
                .param(most)
                .query((row, number) -> new Row(
                        row.getTimestamp("answered_at").toInstant(),
                        row.getString("brand"),
                        row.getString("answer"),
                        row.getString("purposes"),
                        row.getString("words"),
                        row.getString("language"),
                        row.getString("page"),
                        row.getObject("visitor", UUID.class),
                        row.getString("link")))
                .list();
    }
}

package wendo.app.compare;

import java.security.SecureRandom;
import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessId;
import wendo.app.business.BusinessScope;

/** The reports that the current business has shared. */
@Service
class SharedReports {
    /** 128 bits: nobody guesses an address. */
    private static final int TOKEN_BYTES = 16;

    private static final int MOST_LISTED = 200;

    private static final String REPORTS = """
            select id, token, title, sections, look, frozen, last_day, created_at, created_by, revoked_at, opened, opened_at
            from shared_report
            """;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    SharedReports(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional
    UUID share(
            String title,
            List<ReportSection> sections,
            String look,
            Optional<String> frozen,
            LocalDate lastDay,
            String by) {
        byte[] bytes = new byte[TOKEN_BYTES];
        random.nextBytes(bytes);
        UUID id = UUID.randomUUID();
        jdbc.sql("insert into shared_report values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, null, 0, null)")
                .params(id, BusinessScope.current().value())
                .param(Base64.getUrlEncoder().withoutPadding().encodeToString(bytes))
                .param(title)
                .param(sections.stream().map(ReportSection::key).toArray(String[]::new))
                .param(look)
                .param(frozen.orElse(null))
                .params(lastDay, Timestamp.from(clock.instant()), by)
                .update();
        return id;
    }

    /** Whether there was one to revoke. */
    @Transactional
    boolean revoke(UUID id) {
        return jdbc.sql("update shared_report set revoked_at = ? where id = ? and revoked_at is null")
                        .params(Timestamp.from(clock.instant()), id)
                        .update()
                == 1;
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    List<SharedReport> list() {
        return jdbc.sql(REPORTS + "order by created_at desc, id limit ?")
                .param(MOST_LISTED)
                .query(SharedReports::report)
                .list();
    }

    /** Whose report this address is of; asked by anybody. */
    @Transactional(readOnly = true)
    Optional<BusinessId> businessOf(String token) {
        return jdbc.sql("select door_report(?)")
                .param(token)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    /** Counts the opening too. */
    @Transactional
    Optional<SharedReport> open(String token, LocalDate today) {
        Optional<SharedReport> found = jdbc.sql(REPORTS + "where token = ?")
                .param(token)
                .query(SharedReports::report)
                .optional()
                .filter(report -> report.isOpen(today));
        found.ifPresent(report -> jdbc.sql("update shared_report set opened = opened + 1, opened_at = ? where id = ?")
                .params(Timestamp.from(clock.instant()), report.id())
                .update());
        return found;
    }

    private static SharedReport report(ResultSet row, int number) throws SQLException {
        Array sections = row.getArray("sections");
        return new SharedReport(
                row.getObject("id", UUID.class),
                row.getString("token"),
                row.getString("title"),
                Arrays.stream((String[]) sections.getArray())
                        .flatMap(key -> ReportSection.find(key).stream())
                        .toList(),
                row.getString("look"),
                Optional.ofNullable(row.getString("frozen")),
                row.getObject("last_day", LocalDate.class),
                row.getTimestamp("created_at").toInstant(),
                row.getString("created_by"),
                Optional.ofNullable(row.getTimestamp("revoked_at")).map(Timestamp::toInstant),
                row.getLong("opened"),
                Optional.ofNullable(row.getTimestamp("opened_at")).map(Timestamp::toInstant));
    }
}

package wendo.app.outcome.outcomes;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.ApiErrors;
import wendo.app.platform.site.Digest;

/** Callers' own keys for their calls: a key that came with one report may come again with that one only. */
@Component
class IdempotencyKeys {
    private static final int MAX_KEY = 200;

    private final JdbcClient jdbc;
    private final Clock clock;

    IdempotencyKeys(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional
    public void claim(String key, String content) {
        if (key.isBlank() || key.length() > MAX_KEY) {
            throw new ApiErrors(
                    HttpStatus.BAD_REQUEST,
                    "Idempotency-Key must have 1 to %d characters; it had %d.".formatted(MAX_KEY, key.length()),
                    List.of());
        }
        jdbc.sql("insert into outcome_request values (?, ?, ?, ?) on conflict do nothing")
                .params(BusinessScope.current().value(), key, Digest.of(content), Timestamp.from(clock.instant()))
                .update();
        String first = jdbc.sql("select content_hash from outcome_request where idempotency_key = ?")
                .param(key)
                .query(String.class)
                .single();
        if (!first.equals(Digest.of(content))) {
            throw new ApiErrors(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "This Idempotency-Key came before with another report. Use a fresh key for each report.",
                    List.of());
        }
    }
}

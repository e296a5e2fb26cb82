package wendo.app.linkhost.redirect;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * A random salt for each day (UTC), the same in all application processes, gone with its day. While the database is
 * away a process goes on with a salt of its own.
 */
@Component
class DailySalt {
    private static final Logger LOG = LoggerFactory.getLogger(DailySalt.class);
    private static final int BYTES = 32;

    private final JdbcClient jdbc;
    private final TransactionTemplate transactions;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final Map<LocalDate, byte[]> salts = new ConcurrentHashMap<>();

    DailySalt(JdbcClient jdbc, TransactionTemplate transactions, Clock clock) {
        this.jdbc = jdbc;
        this.transactions = transactions;
        this.clock = clock;
    }

    byte[] of(Instant at) {
        return salts.computeIfAbsent(LocalDate.ofInstant(at, ZoneOffset.UTC), day -> fresh());
    }

    /** Shares the salts of today and tomorrow with the other processes, and deletes those before. */
    @Scheduled(fixedDelay = 10, timeUnit = TimeUnit.MINUTES)
    void agree() {
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        try {
            transactions.executeWithoutResult(status -> {
                jdbc.sql("delete from visitor_salt where day < ?").param(today).update();
                agreeOn(today);
                agreeOn(today.plusDays(1));
            });
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("Visitors without a cookie are told apart by this process alone: {}", e.getMessage());
        }
        salts.keySet().removeIf(day -> day.isBefore(today));
    }

    private void agreeOn(LocalDate day) {
        jdbc.sql("insert into visitor_salt values (?, ?) on conflict do nothing")
                .params(day, fresh())
                .update();
        salts.put(
                day,
                jdbc.sql("select salt from visitor_salt where day = ?")
                        .param(day)
                        .query(byte[].class)
                        .single());
    }

    private byte[] fresh() {
        byte[] salt = new byte[BYTES];
        random.nextBytes(salt);
        return salt;
    }
}

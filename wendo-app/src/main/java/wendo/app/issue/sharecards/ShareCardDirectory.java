package wendo.app.issue.sharecards;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
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
import wendo.core.links.ShareCard;

/** The cards of all businesses' pages and links in memory, so that a program is shown one without the database. */
@Component
public class ShareCardDirectory {
    private static final Logger LOG = LoggerFactory.getLogger(ShareCardDirectory.class);

    /** What was changed so long before the latest change is read again: it may have been stored after it. */
    private static final Duration OVERLAP = Duration.ofMinutes(1);

    private static final Shown NOTHING = new Shown(ShareCard.NONE, "");

    private final JdbcClient jdbc;
    private final TransactionTemplate transactions;
    private final Clock clock;
    private final Map<UUID, Shown> cards = new ConcurrentHashMap<>();
    private Instant asOf = Instant.EPOCH;

    ShareCardDirectory(JdbcClient jdbc, TransactionTemplate transactions, Clock clock) {
        this.jdbc = jdbc;
        this.transactions = transactions;
        this.clock = clock;
        refresh();
    }

    /**
     * What is shown of a link.
     *
     * @param picture the path on the link host; empty text if there is none
     */
    public record Shown(ShareCard card, String picture) {
        Shown orElse(Shown other) {
            return new Shown(card.orElse(other.card), picture.isEmpty() ? other.picture : picture);
        }
    }

    /** Of the link itself, else of the page that it leads to. Empty if neither says anything. */
    public Optional<Shown> find(UUID link, UUID destination) {
        return Optional.of(cards.getOrDefault(link, NOTHING).orElse(cards.getOrDefault(destination, NOTHING)))
                .filter(shown -> !shown.card().isEmpty());
    }

    /** Where a picture is fetched; with another key when it was changed, so that programs fetch it anew. */
    static String picturePath(UUID about, String key) {
        return key.isEmpty() ? "" : "/t/cards/%s.jpg?v=%s".formatted(about, key);
    }

    /** Hears of changes by any process. While the database is away everything stays as it was. */
    @Scheduled(fixedDelay = 500, timeUnit = TimeUnit.MILLISECONDS)
    final void refresh() {
        try {
            transactions.executeWithoutResult(status -> jdbc.sql(
                            "select about, title, text, picture_key, changed_at from door_share_cards(?)")
                    .param(Timestamp.from(since()))
                    .query(row -> {
                        UUID about = row.getObject(1, UUID.class);
                        Instant changedAt = row.getTimestamp(5).toInstant();
                        cards.put(
                                about,
                                new Shown(
                                        new ShareCard(row.getString(2), row.getString(3)),
                                        picturePath(about, row.getString(4))));
                        asOf = changedAt.isAfter(asOf) ? changedAt : asOf;
                    }));
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("Cards of shared links go on as last known: {}", e.getMessage());
        }
    }

    /** What is long stored is not read again and again. */
    private Instant since() {
        boolean isRecent = asOf.isAfter(clock.instant().minus(OVERLAP.multipliedBy(2)));
        return isRecent ? asOf.minus(OVERLAP) : asOf.plus(1, ChronoUnit.MICROS);
    }
}

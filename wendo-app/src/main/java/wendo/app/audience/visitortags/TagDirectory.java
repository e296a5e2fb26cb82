package wendo.app.audience.visitortags;

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
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.BusinessId;

/** The visitor tags of all businesses in memory, so that a visit is answered without the database. */
@Component
public class TagDirectory {
    private static final Logger LOG = LoggerFactory.getLogger(TagDirectory.class);

    /** What was changed so long before the latest change is read again: it may have been stored after it. */
    private static final Duration OVERLAP = Duration.ofMinutes(1);

    private final JdbcClient jdbc;
    private final TransactionTemplate transactions;
    private final JsonMapper json;
    private final Clock clock;
    private final Map<UUID, Known> businesses = new ConcurrentHashMap<>();
    private final Map<UUID, DirectoryTag> tags = new ConcurrentHashMap<>();
    private Instant asOf = Instant.EPOCH;

    /** @param key what its questions are signed with */
    private record Known(String key, TagSetting.Indexed setting) {}

    TagDirectory(JdbcClient jdbc, TransactionTemplate transactions, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.transactions = transactions;
        this.json = json;
        this.clock = clock;
        refresh();
    }

    /** The tags that are on for a link; empty for nearly all links there are. */
    public Optional<TagsOfLink> find(BusinessId business, UUID link, UUID campaign, Optional<UUID> brand) {
        Known known = businesses.get(business.value());
        return known == null || known.setting().tags().isEmpty()
                ? Optional.empty()
                : TagSetting.find(known.setting(), new TagSetting.Of(business.value(), link, campaign, brand));
    }

    /** A tag that is on anywhere, whichever business's. */
    public Optional<DirectoryTag> find(UUID tag) {
        return Optional.ofNullable(tags.get(tag));
    }

    /** What a business's questions are signed with; empty text if it has none. */
    public String key(BusinessId business) {
        Known known = businesses.get(business.value());
        return known == null ? "" : known.key();
    }

    /** Hears of changes by any process. While the database is away everything stays as it was. */
    @Scheduled(fixedDelay = 500, timeUnit = TimeUnit.MILLISECONDS)
    final void refresh() {
        try {
            transactions.executeWithoutResult(status -> jdbc.sql(
                            "select business_id, key, setting, changed_at from door_taggings(?)")
                    .param(Timestamp.from(since()))
                    .query(row -> {
                        learn(row.getObject(1, UUID.class), row.getString(2), row.getString(3));
                        Instant changedAt = row.getTimestamp(4).toInstant();
                        asOf = changedAt.isAfter(asOf) ? changedAt : asOf;
                    }));
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("Visitor tags go on as last known: {}", e.getMessage());
        }
    }

    private void learn(UUID business, String key, String setting) {
        try {
            TagSetting.Indexed indexed =
                    json.readValue(setting, TagSetting.class).indexed();
            tags.values().removeIf(tag -> tag.business().equals(business));
            tags.putAll(indexed.tags());
            businesses.put(business, new Known(key, indexed));
        } catch (JacksonException e) { // written by another version: nobody is tagged before it is read
            LOG.warn("Visitor tags of business {} could not be read: {}", business, e.getMessage());
            businesses.remove(business);
        }
    }

    /** What is long stored is not read again and again. */
    private Instant since() {
        boolean isRecent = asOf.isAfter(clock.instant().minus(OVERLAP.multipliedBy(2)));
        return isRecent ? asOf.minus(OVERLAP) : asOf.plus(1, ChronoUnit.MICROS);
    }
}

package wendo.app.business;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.security.SecureRandom;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.ZoneId;
import java.util.HexFormat;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Finds and opens businesses. */
@Service
public class Businesses {
    private static final String COLUMNS =
            "select id, name, currency, zone, locale, site_key, allows_local_destinations from business ";

    /** Settings change by hand and rarely; other processes see a change after this. */
    private static final Duration KEPT = Duration.ofSeconds(10);

    private final JdbcClient jdbc;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final Cache<BusinessId, Business> kept =
            Caffeine.newBuilder().expireAfterWrite(KEPT).maximumSize(10_000).build();

    Businesses(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** The business this thread works for. */
    @Transactional(readOnly = true)
    public Business current() {
        BusinessId id = BusinessScope.current();
        return kept.get(
                id,
                wanted -> jdbc.sql(COLUMNS + "where id = ?")
                        .param(wanted.value())
                        .query(Businesses::read)
                        .single());
    }

    @Transactional(readOnly = true)
    public Optional<BusinessId> findBySiteKey(String siteKey) {
        return jdbc.sql("select door_site_key(?)")
                .param(siteKey)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    /** Opens a business; call it in the scope of {@code id}. */
    @Transactional
    public Business open(
            BusinessId id, String name, CurrencyUnit currency, ZoneId zone, Locale locale, boolean allowsLocal) {
        byte[] key = new byte[10];
        random.nextBytes(key);
        Business business =
                new Business(id, name, currency, zone, locale, HexFormat.of().formatHex(key), allowsLocal);
        jdbc.sql("insert into business values (?, ?, ?, ?, ?, ?, ?, ?)")
                .params(id.value(), name, currency.getCode(), zone.getId(), locale.toLanguageTag())
                .params(business.siteKey(), allowsLocal, java.sql.Timestamp.from(clock.instant()))
                .update();
        return business;
    }

    private static Business read(ResultSet row, int number) throws SQLException {
        return new Business(
                new BusinessId(row.getObject("id", UUID.class)),
                row.getString("name"),
                CurrencyUnit.of(row.getString("currency")),
                ZoneId.of(row.getString("zone")),
                Locale.forLanguageTag(row.getString("locale")),
                row.getString("site_key"),
                row.getBoolean("allows_local_destinations"));
    }
}

package wendo.app.messages;

import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.Business;
import wendo.app.business.BusinessScope;
import wendo.core.measure.UnitPrice;

/** Keeps what was written for a link; the price of a segment is remembered for the next message. */
@Service
class Messages {
    private final JdbcClient jdbc;
    private final Clock clock;

    Messages(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    Optional<MessageForm> find(UUID link, Business business) {
        return jdbc.sql("select text, coalesce(recipients::text, ''), price_millis from message where link_id = ?")
                .param(link)
                .query((row, number) -> new MessageForm(
                        row.getString(1), row.getString(2), price(row.getObject(3, Long.class), business)))
                .optional();
    }

    /** The price that was given last, for whatever link. */
    @Transactional(readOnly = true)
    String usualPrice(Business business) {
        return jdbc.sql(
                        "select price_millis from message where price_millis is not null order by updated_at desc limit 1")
                .query((row, number) -> price(row.getLong(1), business))
                .optional()
                .orElse("");
    }

    private static String price(@org.jspecify.annotations.Nullable Long millis, Business business) {
        return millis == null
                ? ""
                : BigDecimal.valueOf(millis, business.currency().getDecimalPlaces() + 3)
                        .stripTrailingZeros()
                        .toPlainString()
                        .replace(
                                '.',
                                java.text.DecimalFormatSymbols.getInstance(business.locale())
                                        .getDecimalSeparator());
    }

    @Transactional
    void keep(UUID link, String text, Optional<Long> recipients, Optional<UnitPrice> price) {
        jdbc.sql("""
                        insert into message values (?, ?, ?, ?, ?, ?)
                        on conflict (link_id) do update set text = excluded.text, recipients = excluded.recipients,
                            price_millis = excluded.price_millis, updated_at = excluded.updated_at
                        """)
                .params(link, BusinessScope.current().value(), text)
                .param(recipients.orElse(null))
                .param(price.map(UnitPrice::millis).orElse(null))
                .param(Timestamp.from(clock.instant()))
                .update();
    }
}

package wendo.app.subscribing;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessId;
import wendo.app.business.BusinessScope;
import wendo.app.consent.ConsentGiven;
import wendo.app.consent.ConsentPlace;
import wendo.app.consent.ConsentPurpose;
import wendo.app.consent.Consents;

/** Links that subscribe, and who subscribed by them. */
@Service
class OptIns {
    static final int MAX_PROMISE = 300;

    private final JdbcClient jdbc;
    private final Consents consents;
    private final Clock clock;

    OptIns(JdbcClient jdbc, Consents consents, Clock clock) {
        this.jdbc = jdbc;
        this.consents = consents;
        this.clock = clock;
    }

    /**
     * How a link subscribes.
     *
     * @param asksFirst true if readers confirm before they are subscribed
     * @param promise what readers are told they subscribe to
     * @param onward where they are led then, with the link's tags; empty text for where the link leads
     * @param unsubstituted the placeholder that arrived last without having been substituted; empty text if none did
     */
    record OptIn(
            boolean isOpen,
            boolean asksFirst,
            String promise,
            String onward,
            String unsubstituted,
            Optional<Instant> unsubstitutedAt) {
        static OptIn none() {
            return new OptIn(false, true, "", "", "", Optional.empty());
        }
    }

    /** Once an address is subscribed it stays so, however often it arrives. */
    enum Subscribed {
        NEW,
        ALREADY
    }

    @Transactional(readOnly = true)
    OptIn of(UUID link) {
        return jdbc.sql("""
                        select is_open, asks_first, promise, onward_address, unsubstituted, unsubstituted_at
                        from opt_in where link_id = ?
                        """)
                .param(link)
                .query((row, number) -> new OptIn(
                        row.getBoolean(1),
                        row.getBoolean(2),
                        row.getString(3),
                        row.getString(4),
                        row.getString(5),
                        Optional.ofNullable(row.getTimestamp(6)).map(Timestamp::toInstant)))
                .optional()
                .orElse(OptIn.none());
    }

    /** The business whose link this is, if it subscribes; asked by anybody. */
    @Transactional(readOnly = true)
    Optional<BusinessId> businessOf(UUID link) {
        return jdbc.sql("select door_opt_in(?)")
                .param(link)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    @Transactional
    void keep(UUID link, OptIn optIn) {
        jdbc.sql("""
                        insert into opt_in values (?, ?, ?, ?, ?, ?, '', null)
                        on conflict (link_id) do update set is_open = excluded.is_open, asks_first = excluded.asks_first,
                            promise = excluded.promise, onward_address = excluded.onward_address
                        """)
                .params(link, BusinessScope.current().value(), optIn.isOpen(), optIn.asksFirst(), optIn.promise())
                .param(optIn.onward())
                .update();
    }

    @Transactional
    void noteUnsubstituted(UUID link, String placeholder) {
        jdbc.sql("update opt_in set unsubstituted = ?, unsubstituted_at = ? where link_id = ?")
                .params(placeholder, Timestamp.from(clock.instant()), link)
                .update();
    }

    @Transactional
    Subscribed subscribe(UUID link, String email, Optional<UUID> click, Optional<UUID> proof, String page) {
        String promise = of(link).promise();
        if (proof.isEmpty() && !promise.isEmpty()) { // a test's consent is nobody's
            consents.give(new ConsentGiven(
                    List.of(email),
                    Set.of(ConsentPurpose.EMAIL_NEWS),
                    promise,
                    ConsentPlace.OPT_IN,
                    link,
                    Optional.of(link),
                    Optional.empty(),
                    page));
        }
        int fresh = jdbc.sql("insert into subscriber values (?, ?, ?, ?, ?, ?, ?) on conflict do nothing")
                .params(UUID.randomUUID(), BusinessScope.current().value(), link, email)
                .param(Timestamp.from(clock.instant()))
                .param(click.orElse(null))
                .param(proof.orElse(null))
                .update();
        return fresh == 1 ? Subscribed.NEW : Subscribed.ALREADY;
    }

    @Transactional(readOnly = true)
    long count(UUID link) {
        return jdbc.sql("""
                        select count(*) from subscriber u where link_id = ? and proof_id is null and exists (
                            select from consent_record r
                            where r.contact = u.email and r.purpose = 'email-news' and r.withdrawn_at is null)
                        """).param(link).query(Long.class).single();
    }
}

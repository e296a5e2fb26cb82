package wendo.app.platform.consent;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessScope;

/** Records of consent. What has none for its purpose is not sent, exported or put into an audience. */
@Service
public class Consents {
    private static final int MOST_ASKED_AT_ONCE = 1000; // a statement's list of contacts

    private final ConsentWordsRepository words;
    private final ConsentRecordRepository records;
    private final JdbcClient jdbc;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Consents(
            ConsentWordsRepository words,
            ConsentRecordRepository records,
            JdbcClient jdbc,
            ApplicationEventPublisher events,
            Clock clock) {
        this.words = words;
        this.records = records;
        this.jdbc = jdbc;
        this.events = events;
        this.clock = clock;
    }

    /** Keeps it for each contact and each purpose that goes with such a contact; what stands already stays as it is. */
    @Transactional
    public void give(ConsentGiven given) {
        UUID shown = words(given);
        Instant now = clock.instant();
        for (String contact : given.contacts()) {
            for (ConsentPurpose purpose : given.purposes()) {
                if (purpose.fits(contact)
                        && !records.existsByContactAndPurposeAndWordsIdAndWithdrawnAtIsNull(
                                contact, purpose.key(), shown)) {
                    records.save(new ConsentRecord(shown, contact, purpose, given, now));
                }
            }
        }
        events.publishEvent(new ConsentRecorded(given.contacts()));
    }

    /**
     * Keeps what the business states for a list of contacts. It takes nobody's withdrawal back: whoever withdrew has to
     * agree themselves. One statement, for lists are long.
     */
    @Transactional
    public void state(ConsentGiven given) {
        UUID shown = words(given);
        words.flush();
        for (ConsentPurpose purpose : given.purposes()) {
            jdbc.sql("""
                            insert into consent_record (id, business_id, words_id, contact, purpose, link_id, page, given_at)
                            select gen_random_uuid(), :business, :words, contact, :purpose, cast(:link as uuid), :page, :now
                            from (select distinct unnest(cast(:contacts as text[])) as contact) c
                            where not exists (select from consent_record r
                                where r.contact = c.contact and r.purpose = :purpose
                                    and (r.withdrawn_at is not null or r.words_id = :words))
                            """)
                    .param("business", BusinessScope.current().value())
                    .param("words", shown)
                    .param("purpose", purpose.key())
                    .param("link", given.link().map(UUID::toString).orElse(null))
                    .param("page", given.page())
                    .param("now", Timestamp.from(clock.instant()))
                    .param(
                            "contacts",
                            given.contacts().stream().filter(purpose::fits).toArray(String[]::new))
                    .update();
        }
        events.publishEvent(new ConsentRecorded(given.contacts()));
    }

    /** The version of these words at their place: the last one, or a new one if they say something else. */
    private UUID words(ConsentGiven given) {
        Optional<ConsentWords> last =
                words.findFirstByPlaceAndPlaceIdOrderByEditionDesc(given.place().key(), given.placeId());
        return last.filter(one -> one.says(given.words()))
                .orElseGet(() -> words.save(new ConsentWords(
                        given.place(),
                        given.placeId(),
                        last.map(ConsentWords::edition).orElse(0) + 1,
                        given.words(),
                        clock.instant())))
                .getId();
    }

    @Transactional(readOnly = true)
    public boolean allows(String contact, ConsentPurpose purpose) {
        return records.existsByContactAndPurposeAndWithdrawnAtIsNull(contact, purpose.key());
    }

    /** Those of the contacts who agreed to this purpose. */
    @Transactional(readOnly = true)
    public Set<String> allowed(Collection<String> contacts, ConsentPurpose purpose) {
        List<String> all = contacts.stream().distinct().toList();
        Set<String> allowed = new HashSet<>();
        for (int from = 0; from < all.size(); from += MOST_ASKED_AT_ONCE) {
            records.findByContactInAndPurposeAndWithdrawnAtIsNull(
                            all.subList(from, Math.min(all.size(), from + MOST_ASKED_AT_ONCE)), purpose.key())
                    .forEach(record -> allowed.add(record.contact()));
        }
        return allowed;
    }

    /** Withdraws all that this contact agreed to. */
    @Transactional
    public void withdraw(String contact, Withdrawal how, String by) {
        withdraw(contact, records.findByContactAndWithdrawnAtIsNull(contact), how, by);
    }

    /** Withdraws this purpose alone; what else they agreed to stands. */
    @Transactional
    public void withdraw(String contact, ConsentPurpose purpose, Withdrawal how, String by) {
        withdraw(
                contact,
                records.findByContactAndWithdrawnAtIsNull(contact).stream()
                        .filter(one -> one.purpose().equals(Optional.of(purpose)))
                        .toList(),
                how,
                by);
    }

    /** Withdraws what this record is for, in all records of its contact. Answers whether there is such a record. */
    @Transactional
    boolean withdraw(UUID record, String by) {
        Optional<ConsentRecord> found = records.findById(record);
        found.ifPresent(one -> withdraw(
                one.contact(),
                records.findByContactAndWithdrawnAtIsNull(one.contact()).stream()
                        .filter(other -> other.purpose().equals(one.purpose()))
                        .toList(),
                Withdrawal.OFFICE,
                by));
        return found.isPresent();
    }

    private void withdraw(String contact, List<ConsentRecord> withdrawn, Withdrawal how, String by) {
        Set<ConsentPurpose> purposes = EnumSet.noneOf(ConsentPurpose.class);
        for (ConsentRecord record : withdrawn) {
            record.withdraw(how, by, clock.instant());
            record.purpose().ifPresent(purposes::add);
        }
        if (!purposes.isEmpty()) {
            events.publishEvent(new ConsentWithdrawn(BusinessScope.current(), contact, purposes));
        }
    }
}

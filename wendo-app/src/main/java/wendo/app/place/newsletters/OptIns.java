package wendo.app.place.newsletters;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.place.subscribers.NewsletterLists;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;

/** Links that subscribe whoever arrives by them. */
@Service
class OptIns {
    static final int MAX_PROMISE = Limits.PROMISE;

    private final OptInRepository repository;
    private final NewsletterLists lists;
    private final JdbcClient jdbc;
    private final Clock clock;

    OptIns(OptInRepository repository, NewsletterLists lists, JdbcClient jdbc, Clock clock) {
        this.repository = repository;
        this.lists = lists;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * How a link subscribes.
     *
     * @param asksFirst true if readers confirm before they are subscribed
     * @param promise what readers are told they subscribe to
     * @param onward where they are led then, with the link's tags; empty text for where the link leads
     * @param list what they subscribe to
     * @param labels whoever subscribes by this link gets them
     * @param unsubstituted the placeholder that arrived last without having been substituted; empty text if none did
     */
    record OptIn(
            boolean isOpen,
            boolean asksFirst,
            String promise,
            String onward,
            Optional<UUID> list,
            List<String> labels,
            String unsubstituted,
            Optional<Instant> unsubstitutedAt) {
        OptIn to(UUID other) {
            return new OptIn(
                    isOpen, asksFirst, promise, onward, Optional.of(other), labels, unsubstituted, unsubstitutedAt);
        }

        static OptIn none() {
            return new OptIn(false, true, "", "", Optional.empty(), List.of(), "", Optional.empty());
        }
    }

    @Transactional(readOnly = true)
    OptIn of(UUID link) {
        return repository.findById(link).map(StoredOptIn::optIn).orElse(OptIn.none());
    }

    /** 0 until something was said of it. */
    @Transactional(readOnly = true)
    int version(UUID link) {
        return repository.findById(link).map(StoredOptIn::version).orElse(0);
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

    /** Without a list it is the first one, which is made here if there is none. Refused by a unique key if it just was. */
    @Transactional
    void save(UUID link, EditedVersion edited, OptIn optIn, String by) {
        StoredOptIn stored = repository.findById(link).orElseGet(() -> new StoredOptIn(link));
        stored.mustStillBe(edited);
        stored.become(optIn.list().isPresent() || !optIn.isOpen() ? optIn : optIn.to(first(optIn.promise(), by)));
        repository.save(stored);
    }

    private UUID first(String promise, String by) {
        return lists.list().stream()
                .findFirst()
                .map(NewsletterLists.Listed::id)
                .orElseGet(() -> lists.addFirst(Texts.of("place.newsletters.first-list"), promise, by));
    }

    @Transactional
    void noteUnsubstituted(UUID link, String placeholder) {
        repository.findById(link).ifPresent(one -> one.noteUnsubstituted(placeholder, clock.instant()));
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

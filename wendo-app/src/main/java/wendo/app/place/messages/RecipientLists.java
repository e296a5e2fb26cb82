package wendo.app.place.messages;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Business;
import wendo.app.platform.tables.Brought;

/** Lists of recipients, each of whom gets the link with a code of their own behind it. */
@Service
class RecipientLists {
    private static final String LISTS = """
            select l.id, l.link_id, l.name, l.columns, l.name_column, l.phone_column, l.email_column, l.text, l.consent_source, l.made_at,
                l.created_at, l.created_by, (select count(*) from recipient r where r.list_id = l.id) as people,
                (select count(*) from recipient r where r.list_id = l.id and r.code is not null) as links
            from recipient_list l
            """;

    private final RecipientListRepository repository;
    private final JdbcClient jdbc;
    private final Recipients people;
    private final RecipientConsent consent;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    RecipientLists(
            RecipientListRepository repository,
            JdbcClient jdbc,
            Recipients people,
            RecipientConsent consent,
            ApplicationEventPublisher events,
            Clock clock) {
        this.repository = repository;
        this.jdbc = jdbc;
        this.people = people;
        this.consent = consent;
        this.events = events;
        this.clock = clock;
    }

    /** Columns count from 0; −1 is none. */
    record Columns(int name, int phone, int email) {}

    record Listed(
            UUID id,
            UUID link,
            String name,
            List<String> columns,
            Columns meant,
            String text,
            String consentSource,
            Optional<Instant> madeAt,
            Instant createdAt,
            String createdBy,
            long people,
            long links) {}

    /** @param fault why there is no link; empty text if there is one, or will be */
    record Person(int line, List<String> cells, String name, String phone, String email, String code, String fault) {
        /** Where messages to them go. */
        String contact() {
            return phone.isEmpty() ? email : phone;
        }
    }

    /** What the columns of a list mean, and the text that everybody gets. */
    record Reading(Columns columns, String text) {}

    @Transactional
    UUID add(UUID link, Brought brought, Reading reading, String by) {
        StoredList list = new StoredList(link, brought, clock.instant(), by);
        list.match(reading.columns(), reading.text());
        repository.save(list);
        UUID id = list.id();
        people.add(id, link, brought.table());
        return id;
    }

    /** Reads everybody's contact by these columns. Whoever stands there twice is told so, and gets one link. */
    @Transactional
    void match(Listed list, Columns meant, String text, Business business) {
        repository.lock(list.id()).orElseThrow().match(meant, text);
        people.match(list.id(), meant, business);
    }

    /**
     * Gives everybody without a fault a code; made once.
     *
     * @param consentSource where the consent of these people comes from, as the business states it
     * @param heldOutPercent of them get none: they are drawn by lot and are not to be written to
     */
    @Transactional
    boolean make(Listed list, String consentSource, int heldOutPercent) {
        Optional<StoredList> open = repository.lock(list.id()).filter(one -> !one.isMade());
        open.ifPresent(one -> one.make(consentSource, clock.instant()));
        boolean isFirst = open.isPresent();
        if (isFirst) {
            consent.state(list, consentSource, people(list.id()));
            people.giveCodes(list.id(), list.link(), heldOutPercent);
            events.publishEvent(new RecipientsGiven(people(list.id()).stream()
                    .flatMap(one -> Stream.of(one.email(), one.phone()))
                    .filter(contact -> !contact.isEmpty())
                    .toList()));
        }
        return isFirst;
    }

    @Transactional(readOnly = true)
    Optional<Listed> find(UUID id) {
        return jdbc.sql(LISTS + "where l.id = ?")
                .param(id)
                .query(RecipientLists::listed)
                .optional();
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    List<Listed> of(UUID link) {
        return jdbc.sql(LISTS + "where l.link_id = ? order by l.created_at desc")
                .param(link)
                .query(RecipientLists::listed)
                .list();
    }

    /** In the order of the file. */
    @Transactional(readOnly = true)
    List<Person> people(UUID list) {
        return people.people(list);
    }

    private static Listed listed(ResultSet row, int number) throws SQLException {
        return new Listed(
                row.getObject("id", UUID.class),
                row.getObject("link_id", UUID.class),
                row.getString("name"),
                List.of((String[]) row.getArray("columns").getArray()),
                new Columns(row.getInt("name_column"), row.getInt("phone_column"), row.getInt("email_column")),
                row.getString("text"),
                row.getString("consent_source"),
                Optional.ofNullable(row.getTimestamp("made_at")).map(Timestamp::toInstant),
                row.getTimestamp("created_at").toInstant(),
                row.getString("created_by"),
                row.getLong("people"),
                row.getLong("links"));
    }
}

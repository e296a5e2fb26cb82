package wendo.app.place.messages;

import java.security.SecureRandom;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.tables.Table;

/** Lists of recipients, each of whom gets the link with a code of their own behind it. */
@Service
class RecipientLists {
    /** Without vowels and look-alikes, so that no word comes of it and none is misread. */
    private static final String LETTERS = "0123456789bcdfghjkmnpqrstvwxyz";

    private static final int CODE_LENGTH = 6;

    private static final String LISTS = """
            select l.id, l.link_id, l.name, l.columns, l.name_column, l.phone_column, l.email_column, l.text, l.consent_source, l.made_at,
                l.created_at, l.created_by, (select count(*) from recipient r where r.list_id = l.id) as people,
                (select count(*) from recipient r where r.list_id = l.id and r.code is not null) as links
            from recipient_list l
            """;

    private final RecipientListRepository repository;
    private final JdbcClient jdbc;
    private final JdbcTemplate batches;
    private final RecipientConsent consent;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    RecipientLists(
            RecipientListRepository repository,
            JdbcClient jdbc,
            JdbcTemplate batches,
            RecipientConsent consent,
            Clock clock) {
        this.repository = repository;
        this.jdbc = jdbc;
        this.batches = batches;
        this.consent = consent;
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

    @Transactional
    UUID add(UUID link, String name, Table table, Columns meant, String text, String by) {
        StoredList list = new StoredList(link, name, table.columns(), clock.instant(), by);
        list.match(meant, text);
        repository.save(list);
        UUID id = list.id();
        List<Object[]> rows = new ArrayList<>();
        for (Table.Row row : table.rows()) {
            rows.add(new Object[] {
                UUID.randomUUID(),
                BusinessScope.current().value(),
                id,
                link,
                row.line(),
                row.cells().toArray(String[]::new)
            });
        }
        batches.batchUpdate("""
                insert into recipient (id, business_id, list_id, link_id, line, cells, name, phone, email, fault)
                values (?, ?, ?, ?, ?, ?, '', '', '', '')
                """, rows);
        return id;
    }

    /** Reads everybody's contact by these columns. Whoever stands there twice is told so, and gets one link. */
    @Transactional
    void match(Listed list, Columns meant, String text, Business business) {
        repository.lock(list.id()).orElseThrow().match(meant, text);
        Set<String> seen = new HashSet<>();
        List<Object[]> rows = new ArrayList<>();
        for (Person person : people(list.id())) {
            Contact contact = Contact.of(cell(person, meant.phone()), cell(person, meant.email()), business.locale());
            String who = contact.phone().isEmpty() ? contact.email() : contact.phone();
            String fault = contact.fault().isEmpty() && !seen.add(who)
                    ? "This is somebody further up once more."
                    : contact.fault();
            String name = cell(person, meant.name());
            rows.add(new Object[] {
                name.length() <= 200 ? name : name.substring(0, 200),
                contact.phone(),
                contact.email(),
                fault,
                list.id(),
                person.line()
            });
        }
        batches.batchUpdate(
                "update recipient set name = ?, phone = ?, email = ?, fault = ? where list_id = ? and line = ?", rows);
    }

    private static String cell(Person person, int column) {
        return column >= 0 && column < person.cells().size()
                ? person.cells().get(column).strip()
                : "";
    }

    /**
     * Gives everybody without a fault a code; made once.
     *
     * @param consentSource where the consent of these people comes from, in the office's words
     * @param heldOutPercent of them get none: they are drawn by lot and are not to be written to
     */
    @Transactional
    boolean make(Listed list, String consentSource, int heldOutPercent) {
        Optional<StoredList> open = repository.lock(list.id()).filter(one -> !one.isMade());
        open.ifPresent(one -> one.make(consentSource, clock.instant()));
        boolean isFirst = open.isPresent();
        if (isFirst) {
            consent.state(list, consentSource, people(list.id()));
            leaveOut(list.id());
            holdOut(list.id(), heldOutPercent);
            Set<String> taken =
                    new HashSet<>(jdbc.sql("select code from recipient where link_id = ? and code is not null")
                            .param(list.link())
                            .query(String.class)
                            .list());
            List<Object[]> rows = people(list.id()).stream()
                    .filter(person -> person.fault().isEmpty())
                    .map(person -> new Object[] {free(taken), list.id(), person.line()})
                    .toList();
            batches.batchUpdate("update recipient set code = ? where list_id = ? and line = ?", rows);
        }
        return isFirst;
    }

    /** Nobody without consent gets a link. */
    private void leaveOut(UUID list) {
        batches.batchUpdate(
                "update recipient set fault = ? where list_id = ? and line = ?",
                consent.missing(people(list)).entrySet().stream()
                        .map(missing -> new Object[] {missing.getValue(), list, missing.getKey()})
                        .toList());
    }

    private void holdOut(UUID list, int percent) {
        List<Integer> lines = new ArrayList<>(people(list).stream()
                .filter(person -> person.fault().isEmpty())
                .map(Person::line)
                .toList());
        Collections.shuffle(lines, random);
        batches.batchUpdate(
                "update recipient set held_out = true, fault = ? where list_id = ? and line = ?",
                lines.subList(0, lines.size() * percent / 100).stream()
                        .map(line -> new Object[] {"Held out by lot: write nothing to them.", list, line})
                        .toList());
    }

    private String free(Set<String> taken) {
        while (true) {
            StringBuilder code = new StringBuilder();
            for (int i = 0; i < CODE_LENGTH; i++) {
                code.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
            }
            if (taken.add(code.toString())) {
                return code.toString();
            }
        }
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
        return jdbc.sql("""
                        select line, cells, name, phone, email, coalesce(code, '') as code, fault
                        from recipient where list_id = ? order by line
                        """)
                .param(list)
                .query((row, number) -> new Person(
                        row.getInt(1),
                        List.of((String[]) row.getArray(2).getArray()),
                        row.getString(3),
                        row.getString(4),
                        row.getString(5),
                        row.getString(6),
                        row.getString(7)))
                .list();
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

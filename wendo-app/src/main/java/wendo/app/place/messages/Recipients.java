package wendo.app.place.messages;

import java.security.SecureRandom;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.tables.Table;

/** The people of lists. They pour in by thousands, so they are written in batches. */
@Component
class Recipients {
    /** Without vowels and look-alikes, so that no word comes of it and none is misread. */
    private static final String LETTERS = "0123456789bcdfghjkmnpqrstvwxyz";

    private static final int CODE_LENGTH = 6;

    private final JdbcClient jdbc;
    private final JdbcTemplate batches;
    private final RecipientConsent consent;
    private final SecureRandom random = new SecureRandom();

    Recipients(JdbcClient jdbc, JdbcTemplate batches, RecipientConsent consent) {
        this.jdbc = jdbc;
        this.batches = batches;
        this.consent = consent;
    }

    void add(UUID id, UUID link, Table table) {
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
    }

    /** Reads everybody's contact by these columns. Whoever stands there twice is told so, and gets one link. */
    void match(UUID list, RecipientLists.Columns meant, Business business) {
        Set<String> seen = new HashSet<>();
        List<Object[]> rows = new ArrayList<>();
        for (RecipientLists.Person person : people(list)) {
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
                list,
                person.line()
            });
        }
        batches.batchUpdate(
                "update recipient set name = ?, phone = ?, email = ?, fault = ? where list_id = ? and line = ?", rows);
    }

    private static String cell(RecipientLists.Person person, int column) {
        return column >= 0 && column < person.cells().size()
                ? person.cells().get(column).strip()
                : "";
    }

    /** Everybody without a fault gets a code, once it is said who is left out and who is held out. */
    void giveCodes(UUID list, UUID link, int heldOutPercent) {
        leaveOut(list);
        holdOut(list, heldOutPercent);
        Set<String> taken = new HashSet<>(jdbc.sql("select code from recipient where link_id = ? and code is not null")
                .param(link)
                .query(String.class)
                .list());
        batches.batchUpdate(
                "update recipient set code = ? where list_id = ? and line = ?",
                people(list).stream()
                        .filter(person -> person.fault().isEmpty())
                        .map(person -> new Object[] {free(taken), list, person.line()})
                        .toList());
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
                .map(RecipientLists.Person::line)
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

    /** In the order of the file. */
    List<RecipientLists.Person> people(UUID list) {
        return jdbc.sql("""
                        select line, cells, name, phone, email, coalesce(code, '') as code, fault
                        from recipient where list_id = ? order by line
                        """)
                .param(list)
                .query((row, number) -> new RecipientLists.Person(
                        row.getInt(1),
                        List.of((String[]) row.getArray(2).getArray()),
                        row.getString(3),
                        row.getString(4),
                        row.getString(5),
                        row.getString(6),
                        row.getString(7)))
                .list();
    }
}

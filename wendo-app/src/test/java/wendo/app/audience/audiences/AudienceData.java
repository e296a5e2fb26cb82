package wendo.app.audience.audiences;

import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import wendo.app.platform.business.BusinessScope;
import wendo.core.visits.ClickId;

/** People as they are stored where they came from, at random: lists, subscribers, visits, outcomes, leads, consents. */
final class AudienceData {
    private static final int PEOPLE = 70;
    private static final List<String> COUNTRIES = List.of("GB", "IE", "DE");
    private static final List<String> DEVICES = List.of("phone", "computer");
    private static final List<String> KINDS = List.of("lead", "booking", "purchase");
    private static final List<String> ITEMS = List.of("Taster session", "Gift voucher", "");
    private static final List<String> STAGES = List.of("new", "quoted", "lost");
    private static final List<String> PURPOSES = List.of("email-news", "text-news", "advertising");

    final UUID form = UUID.randomUUID();

    private final JdbcClient jdbc;
    private final Random random;
    private final Instant now;
    private final Map<UUID, UUID> links; // with their sources
    private final List<UUID> lists = new ArrayList<>();
    final List<UUID> newsletters = List.of(UUID.randomUUID(), UUID.randomUUID());

    private final UUID words = UUID.randomUUID();

    AudienceData(JdbcClient jdbc, Random random, Instant now, Map<UUID, UUID> links) {
        this.jdbc = jdbc;
        this.random = random;
        this.now = now;
        this.links = links;
    }

    void fill() {
        for (int month = 0; month < 6; month++) {
            jdbc.sql("select ensure_visit_month(cast(? as date))")
                    .param(Timestamp.from(now.minus(Duration.ofDays(30L * month))))
                    .query(row -> {});
        }
        insert("entry_form", Map.of("id", form, "name", "Enquiry", "purpose", "enquiry"));
        insert("consent_words", Map.of("id", words, "place", "list", "edition", 1));
        for (UUID list : newsletters) {
            insert("newsletter_list", Map.of("id", list, "name", list.toString(), "confirm_days", 7));
        }
        List<UUID> first = List.copyOf(links.keySet()).subList(0, 2);
        insert(
                "link_form",
                Map.of("link_id", first.get(0), "form_id", form, "shows", "first", "looks", 3, "strictness", "usual"));
        for (UUID link : first) {
            UUID list = UUID.randomUUID();
            lists.add(list);
            insert("recipient_list", Map.of("id", list, "link_id", link));
        }
        for (int i = 0; i < PEOPLE; i++) {
            somebody(i);
        }
    }

    /** What is said of no column that needs something is the least that its type has. */
    private void insert(String table, Map<String, Object> said) {
        Map<String, Object> values = new LinkedHashMap<>(said);
        values.put("business_id", BusinessScope.current().value());
        String columns = jdbc.sql("""
                        select string_agg(attname || ' ' || case
                            when typcategory = 'A' then '''{}''' when typcategory = 'S' then '''''' when typcategory = 'B' then 'false'
                            when typcategory = 'D' then 'now()' when typname = 'uuid' then 'gen_random_uuid()' else '0' end, ', ')
                        from pg_attribute join pg_type on pg_type.oid = atttypid
                        where attrelid = cast(? as regclass) and attnum > 0 and attnotnull and not atthasdef and not attisdropped
                        """).param(table).query(String.class).single();
        Map<String, String> cells = Arrays.stream(columns.split(", "))
                .map(one -> one.split(" ", 2))
                .collect(Collectors.toMap(one -> one[0], one -> one[1], (a, b) -> a, LinkedHashMap::new));
        values.keySet().forEach(column -> cells.put(column, ":" + column));
        jdbc.sql("insert into %s (%s) values (%s)"
                        .formatted(table, String.join(", ", cells.keySet()), String.join(", ", cells.values())))
                .params(values)
                .update();
    }

    private void subscriber(String email) {
        UUID subscriber = UUID.randomUUID();
        String[] labels = chance(30) ? new String[] {"Group"} : new String[] {};
        insert("subscriber", Map.of("id", subscriber, "link_id", anyLink(), "email", email, "labels", labels));
        for (UUID list : newsletters) {
            if (chance(60)) {
                Map<String, Object> member = new LinkedHashMap<>(Map.of("list_id", list, "subscriber_id", subscriber));
                if (chance(30)) {
                    member.put("left_at", Timestamp.from(now));
                }
                insert("list_member", member);
            }
        }
    }

    private void somebody(int i) {
        String email = chance(80) ? "p%d@example.org".formatted(i) : "";
        String phone = email.isEmpty() || chance(50) ? "+4479000%05d".formatted(i) : "";
        UUID visitor = UUID.randomUUID();
        if (chance(60)) {
            recipient(i, email, phone, visitor);
        }
        if (!email.isEmpty() && chance(30)) {
            subscriber(email);
        }
        for (int v = random.nextInt(4); v > 0; v--) {
            visit(anyLink(), visitor, Map.of());
        }
        if (chance(60)) {
            recognised(i, email, phone, visitor);
        }
        for (String contact : List.of(email, phone)) {
            if (!contact.isEmpty() && chance(50)) {
                insert("consent_record", Map.of("words_id", words, "contact", contact, "purpose", any(PURPOSES)));
            }
        }
    }

    private void recipient(int i, String email, String phone, UUID visitor) {
        int which = random.nextInt(lists.size());
        UUID link = List.copyOf(links.keySet()).get(which);
        UUID id = UUID.randomUUID();
        boolean heldOut = chance(15);
        Map<String, Object> said = new HashMap<>(Map.of(
                "id",
                id,
                "list_id",
                lists.get(which),
                "link_id",
                link,
                "line",
                i,
                "phone",
                phone,
                "email",
                email,
                "held_out",
                heldOut));
        if (!heldOut) {
            said.put("code", "c%04d".formatted(i));
        }
        insert("recipient", said);
        for (int v = heldOut ? 0 : random.nextInt(3); v > 0; v--) {
            visit(link, visitor, Map.of("recipient_id", id));
        }
    }

    private void visit(UUID link, UUID visitor, Map<String, Object> more) {
        Instant at = before(120);
        Map<String, Object> said = new HashMap<>(more);
        said.putAll(Map.of(
                "arrived_at", Timestamp.from(at.truncatedTo(ChronoUnit.MILLIS)),
                "click_id", ClickId.of(at, random).uuid(),
                "link_id", link,
                "source_id", links.get(link),
                "visitor", visitor,
                "kind", chance(85) ? "person" : "repeat",
                "country", any(COUNTRIES),
                "device", any(DEVICES)));
        insert("visit", said);
    }

    /** Outcomes of theirs, and the identities that these were joined by. */
    private void recognised(int i, String email, String phone, UUID visitor) {
        UUID person = UUID.randomUUID();
        UUID first = identity(person, email.isEmpty() ? "phone" : "email", email.isEmpty() ? phone : email);
        identity(person, "visitor", visitor.toString());
        if (chance(20)) {
            identity(person, "email", "other%d@example.org".formatted(i));
        }
        for (int o = 1 + random.nextInt(3); o > 0; o--) {
            outcome("%d-%d".formatted(i, o), first);
        }
    }

    private UUID identity(UUID person, String kind, String key) {
        UUID id = UUID.randomUUID();
        insert("identity", Map.of("id", id, "kind", kind, "key", key, "person", person));
        return id;
    }

    private void outcome(String reference, UUID identity) {
        UUID id = UUID.randomUUID();
        String kind = any(KINDS);
        Timestamp at = Timestamp.from(before(120));
        Map<String, Object> said = new HashMap<>(Map.of(
                "id",
                id,
                "kind",
                kind,
                "reference",
                reference,
                "reference_key",
                reference,
                "value_minor",
                1000L * random.nextInt(20),
                "occurred_at",
                at,
                "is_proof",
                chance(10),
                "status",
                chance(15) ? "cancelled" : "confirmed",
                "reported_by",
                "server",
                "items",
                any(ITEMS)));
        if (kind.equals("lead") && chance(50)) {
            said.put("form_id", form);
        }
        insert("outcome", said);
        insert("trail", Map.of("outcome_id", id, "identity_id", identity));
        if (kind.equals("lead")) {
            insert(
                    "lead",
                    Map.of(
                            "outcome_id",
                            id,
                            "stage",
                            any(STAGES),
                            "arrived_at",
                            at,
                            "handed_at", // so that nobody hands it over now, and labels it
                            at,
                            "labels",
                            chance(50) ? new String[] {"Group"} : new String[0]));
            if (chance(50)) {
                insert("lead_event", Map.of("lead_id", id, "at", Timestamp.from(before(30))));
            }
        }
    }

    private Instant before(int days) {
        return now.minus(Duration.ofMinutes(1 + random.nextInt(days * 24 * 60)));
    }

    private boolean chance(int percent) {
        return random.nextInt(100) < percent;
    }

    private UUID anyLink() {
        return any(List.copyOf(links.keySet()));
    }

    private <T> T any(List<T> all) {
        return all.get(random.nextInt(all.size()));
    }
}

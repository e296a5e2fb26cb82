package wendo.app.platform.privacy;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;

/** What is known of one person is found, handed over and erased. The phone number is of a range kept for fiction (Ofcom). */
@ExtendWith(OutputCaptureExtension.class)
class PrivacyTest extends WendoTest {
    private static final String EMAIL = "ines@quillmarsh.example";
    private static final List<String> TRACES = List.of("quillmarsh", "quillfeather", "900123");

    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private Http owner;

    @BeforeEach
    void open() {
        tenant = tenant("Shoveler Sails");
        owner = http().signIn(tenant.email());
    }

    private String report(String json) {
        HttpResponse<String> answer = http().post(tenant.apiKey(), "/api/v1/outcomes", json);
        assertThat(answer.statusCode()).as(answer.body()).isBetween(200, 201);
        return Http.json(answer).get("id").asString();
    }

    /** Leaves traces wherever people leave them, and somebody else's beside them. */
    private void leaveTraces() {
        String slug = http().issue(tenant.apiKey(), "https://shoveler.example/", "Spring", "Postcards")
                .get(0);
        await("the link is known", () -> http().visit(tenant.host(), slug).statusCode() == 302);
        String click = Http.click(http().visit(tenant.host(), slug));
        String lead = report("""
                {"kind": "lead", "reference": "L-1", "clickId": "%s", "name": "Ines Quillfeather", "email": "Ines@Quillmarsh.example",
                 "phone": "07700 900123", "note": "The Quillfeather party of ten", "answer": "My aunt Quillfeather"}
                """.formatted(click));
        report("""
                {"kind": "booking", "reference": "B-1", "value": 95, "email": "%s", "name": "I. Quillfeather"}
                """.formatted(EMAIL));
        report("""
                {"kind": "booking", "reference": "B-1", "value": 95, "name": "Ines Quillfeather-Marsh"}
                """);
        report(
                "{\"kind\": \"booking\", \"reference\": \"B-2\", \"value\": 40, \"email\": \"bo@reed.example\", \"name\": \"Bo Reed\"}");
        await("it is a lead", () -> count(tenant, "select count(*) from lead where handed_at is not null") == 1);
        await("hers are credited", () -> count(tenant, "select count(distinct outcome_id) from credit") == 2);
        String page = "/leads/" + lead;
        owner.form(page, page + "/stage", "stage", "lost", "reason", "Quillfeather went elsewhere");
        owner.form(page, page + "/consent", "consent-email-news", "yes", "consentWords", "News?");
        UUID business = tenant.id().value();
        in(tenant, () -> {
            UUID link = jdbc.sql("select id from link").query(UUID.class).single();
            UUID message = UUID.randomUUID();
            jdbc.sql("""
                            insert into outgoing (id, business_id, lead_id, purpose, place, road, recipient, subject, body, due_at,
                                state, tries, said, kept_at, needs)
                            values (?, ?, ?, 'plan', 9, 'email', ?, 'Hello Quillfeather', 'Dear Ines Quillfeather', now() + interval '1 day',
                                'waiting', 0, '', now(), '')
                            """)
                    .params(message, business, UUID.fromString(lead), EMAIL)
                    .update();
            jdbc.sql("insert into answer_received values (gen_random_uuid(), ?, ?, ?, 'Yours, Quillfeather', now())")
                    .params(business, message, UUID.fromString(lead))
                    .update();
            jdbc.sql("insert into opted_out values (?, ?, now())")
                    .params(business, EMAIL)
                    .update();
            jdbc.sql("""
                            insert into subscriber (id, business_id, link_id, email, subscribed_at) values (gen_random_uuid(), ?, ?, ?, now())
                            """).params(business, link, EMAIL).update();
            jdbc.sql("""
                            insert into partner (id, business_id, contact, email, phone, language, note, payout, account_name, iban,
                                bic, payout_other, minimum_minor, tax_number, tax_note, self_billing, tax_percent, page_values,
                                created_at, created_by)
                            select source_id, business_id, 'Ines Quillfeather', ?, '', 'en', 'Ask for Quillfeather', '', '', '', '', '',
                                0, '', '', false, 0, false, now(), 'Ola' from link where id = ?
                            """).params(EMAIL, link).update();
            jdbc.sql("""
                            insert into partner_registration (id, business_id, name, contact, email, website, said, language, state,
                                made_at, decided_by)
                            values (gen_random_uuid(), ?, 'Sails and tales', 'Ines Quillfeather', ?, '', 'I am Quillfeather', 'en',
                                'waiting', now(), '')
                            """).params(business, EMAIL).update();
            jdbc.sql("""
                            insert into partner_claim (id, business_id, partner_id, outcome_kind, reference, reference_key, said, state,
                                reason, made_at, decided_by)
                            select gen_random_uuid(), o.business_id, p.id, o.kind, o.reference, o.reference_key,
                                'Quillfeather stayed with us', 'open', '', now(), ''
                            from outcome o cross join partner p where o.reference_key in ('l-1', 'b-1')
                            """).update();
            UUID file = UUID.randomUUID();
            jdbc.sql("""
                            insert into import_file (id, business_id, name, headings, written, matching, state, problem, total, created_at, created_by)
                            values (?, ?, 'till.csv', '{Name,E-mail}', 'csv', '{}', 'done', '', 1, now(), 'Ola Ness')
                            """).params(file, business).update();
            jdbc.sql("""
                            insert into import_row (business_id, file_id, line, cells, fate, said)
                            values (?, ?, 1, array['Ines Quillfeather', 'INES@quillmarsh.example '], 'new', '')
                            """).params(business, file).update();
            jdbc.sql("""
                            insert into tag_call (business_id, id, at, what, page, fields, fault)
                            values (?, gen_random_uuid(), now(), 'outcome', '/', cast(? as json), '')
                            """).params(business, "{\"email\": \"" + EMAIL + "\"}").update();
            return true;
        });
        String link = "/links/"
                + in(
                        tenant,
                        () -> jdbc.sql("select id::text from link")
                                .query(String.class)
                                .single());
        owner.form(
                link + "/message",
                link + "/recipients",
                "pasted",
                "Name,Mobile\nInes Quillfeather,07700 900123\nBo,07700 900456\n");
    }

    /** Where one of the traces stands, as table and column. */
    private List<String> traces() {
        List<String> found = new ArrayList<>();
        in(tenant, () -> {
            for (Map<String, Object> column : jdbc.sql("""
                            select c.relname as table_name, a.attname as column_name, t.typname as data_type
                            from pg_class c join pg_attribute a on a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped
                            join pg_type t on t.oid = a.atttypid
                            where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p') and not c.relispartition
                                and t.typname in ('varchar', 'text', 'json', 'jsonb', '_text', '_varchar', 'bytea')
                                and has_table_privilege(c.oid, 'select')
                            """).query().listOfRows()) {
                String name = String.valueOf(column.get("column_name"));
                String text = "bytea".equals(column.get("data_type"))
                        ? "encode(\"" + name + "\", 'escape')"
                        : "\"" + name + "\"::text";
                for (String trace : TRACES) {
                    long rows = jdbc.sql(
                                    "select count(*) from " + column.get("table_name") + " where " + text + " ilike ?")
                            .param("%" + trace + "%")
                            .query(Long.class)
                            .single();
                    if (rows > 0) {
                        found.add(column.get("table_name") + "." + name);
                    }
                }
            }
            return true;
        });
        return found.stream().distinct().sorted().toList();
    }

    private List<String> sums() {
        return in(tenant, () -> jdbc.sql("""
                        select (select count(*) || ' ' || sum(value_minor) from outcome) || ' '
                            || (select count(*) || ' ' || sum(last_touch_minor) || ' ' || sum(linear_minor) from credit) || ' '
                            || (select count(*) from subscriber) || ' ' || (select count(*) from recipient) || ' '
                            || (select count(distinct person) from identity)
                        """).query(String.class).list());
    }

    private List<String> credit() {
        return in(tenant, () -> jdbc.sql("""
                        select concat_ws(' ', outcome_id, source_id, first_touch_minor, last_touch_minor, linear_minor)
                        from credit order by 1
                        """).query(String.class).list());
    }

    /** By what is left of an erased person the models credit as they did before. */
    private void creditAnew() {
        owner.form("/setup/attribution", "/setup/attribution/anew");
        await(
                "all is credited anew",
                () -> count(
                                tenant,
                                "select count(*) from credit_edition where building is null and finished_at is not null")
                        == 1);
    }

    private HttpResponse<String> erase(String find, String number) {
        return owner.form(
                "/setup/privacy", "/setup/privacy/erase", "find", find, "number", number, "reason", "Asked by letter");
    }

    @Test
    void whatever_is_known_is_found_handed_over_and_erased_and_the_figures_stay(CapturedOutput log) {
        leaveTraces();
        List<String> before = traces();
        assertThat(before)
                .contains(
                        "answer_received.text",
                        "consent_record.contact",
                        "identity.key",
                        "import_row.cells",
                        "lead.lost_reason",
                        "opted_out.contact",
                        "outcome.answer",
                        "outcome.note",
                        "outcome_change.before",
                        "outgoing.body",
                        "partner.contact",
                        "partner_claim.said",
                        "partner_registration.said",
                        "recipient.cells",
                        "subscriber.email",
                        "tag_call.fields");
        for (String by : List.of(EMAIL, "+44 7700 900123", "Ines Quillfeather", "L-1", "b-1")) {
            assertThat(Jsoup.parse(owner.get("/setup/privacy?find="
                                            + by.replace("+", "%2B").replace(" ", "+"))
                                    .body())
                            .select("main section h2")
                            .eachText())
                    .as(by)
                    .contains(
                            "Outcomes",
                            "Messages",
                            "Subscribers",
                            "Recipients",
                            "Consent",
                            "Imported rows",
                            "Contacts at partners",
                            "Registrations",
                            "Claims");
        }
        String page = owner.get("/setup/privacy?find=" + EMAIL).body();
        assertThat(page).contains("My aunt Quillfeather").doesNotContain("Bo Reed", "bo@reed.example");
        String json = owner.get("/setup/privacy/person.json?find=" + EMAIL).body();
        assertThat(Http.json(json).get("Outcomes").size()).isEqualTo(2);
        assertThat(json)
                .contains("The Quillfeather party of ten", "Yours, Quillfeather")
                .doesNotContain("bo@reed.example");
        assertThat(owner.get("/setup/privacy/person.html?find=" + EMAIL).body())
                .contains("What Shoveler Sails knows of you", "Dear Ines Quillfeather");

        creditAnew();
        List<String> sums = sums();
        List<String> credit = credit();
        assertThat(credit).hasSizeGreaterThan(1);
        assertThat(erase(EMAIL, "1").statusCode())
                .as("the number is typed first")
                .isEqualTo(422);
        assertThat(traces()).isEqualTo(before);
        String number = Jsoup.parse(page).select("label[for=number]").text().replaceFirst("^\\D*(\\d+).*$", "$1");
        assertThat(erase(EMAIL, number).statusCode()).isEqualTo(302);
        assertThat(traces()).isEmpty();
        assertThat(sums()).isEqualTo(sums);
        creditAnew();
        assertThat(credit()).isEqualTo(credit);
        assertThat(traces()).isEmpty();
        assertThat(count(tenant, "select count(*) from outgoing where state = 'waiting'"))
                .isZero();
        assertThat(log.getAll().toLowerCase(Locale.ROOT))
                .as("nor in the log")
                .doesNotContain(TRACES.toArray(String[]::new));
        assertThat(owner.get("/outcomes?find=bo@reed").body()).contains("B-2");
        String after = owner.get("/setup/privacy").body();
        assertThat(after).contains(number + " records erased.", "Asked by letter", "Ola Ness");
        assertThat(owner.get("/setup/privacy?find=" + EMAIL).body()).contains("Nothing is known of anybody by that.");
    }

    @Test
    void only_an_owner_of_the_business_finds_anybody() {
        report("{\"kind\": \"booking\", \"reference\": \"B-1\", \"value\": 95, \"email\": \"" + EMAIL + "\"}");
        Http stranger = http().signIn(tenant("Somebody Else").email());
        assertThat(stranger.get("/setup/privacy?find=" + EMAIL).body())
                .contains("Nothing is known of anybody by that.");
        assertThat(stranger.form("/setup/privacy", "/setup/privacy/erase", "find", EMAIL, "number", "1")
                        .statusCode())
                .isEqualTo(422);
        String email = "mia@" + UUID.randomUUID() + ".example";
        in(tenant, () -> {
            accounts.join(accounts.register(email, "Mia", PASSWORD), Role.MANAGER);
            return true;
        });
        Http manager = http().signIn(email);
        for (String page : List.of("/setup/privacy", "/setup/privacy/person.json?find=" + EMAIL)) {
            assertThat(manager.get(page).statusCode()).as(page).isEqualTo(403);
        }
        assertThat(owner.get("/setup/privacy?find=").body()).doesNotContain("Nothing is known");
        assertThat(owner.get("/setup/privacy?find=%25").body()).contains("Nothing is known of anybody by that.");
    }
}

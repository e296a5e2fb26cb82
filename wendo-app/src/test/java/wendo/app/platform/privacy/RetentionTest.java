package wendo.app.platform.privacy;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;

/** What is older than a business keeps it is forgotten, with a preview before; counts, credit and money stay. */
class RetentionTest extends WendoTest {
    private static final String PAGE = "/setup/privacy/retention";

    @Autowired
    private RetentionJob job;

    private Tenant tenant;
    private Http owner;

    @BeforeEach
    void open() {
        tenant = tenant("Curlew Coast");
        owner = http().signIn(tenant.email());
    }

    private void sql(String statement, Object... values) {
        in(tenant, () -> jdbc.sql(statement).params(values).update());
    }

    private String report(String json) {
        HttpResponse<String> answer = http().post(tenant.apiKey(), "/api/v1/outcomes", json);
        assertThat(answer.statusCode()).as(answer.body()).isBetween(200, 201);
        return Http.json(answer).get("id").asString();
    }

    /** One of each kind, four years old, and one of yesterday. */
    private void leaveOldAndNew() {
        http().issue(tenant.apiKey(), "https://curlew.example/", "Spring", "Postcards");
        String link = in(
                tenant,
                () -> jdbc.sql("select id::text from link").query(String.class).single());
        for (String age : List.of("old", "new")) {
            String when = age.equals("old") ? "now() - interval '4 years'" : "now() - interval '1 day'";
            String lead = report("""
                    {"kind": "lead", "reference": "L-%1$s", "name": "%1$s Lead", "email": "%1$s@lead.example",
                     "answer": "%1$s answer"}
                    """.formatted(age));
            String booking = report("""
                    {"kind": "booking", "reference": "B-%1$s", "value": 95, "name": "%1$s Guest", "email": "%1$s@guest.example"}
                    """.formatted(age));
            await(
                    "it is handed over",
                    () -> count(
                                    tenant,
                                    "select count(*) from lead where handed_at is not null and outcome_id = '" + lead
                                            + "'")
                            == 1);
            await(
                    "who booked is known",
                    () -> count(tenant, "select count(*) from identity where key = '" + age + "@guest.example'") == 1);
            sql("update outcome set occurred_at = " + when + " where id in (?::uuid, ?::uuid)", lead, booking);
            sql("update lead set note = ? where outcome_id = ?::uuid", age + " note", lead);
            if (age.equals("old")) {
                sql("delete from lead_event where lead_id = ?::uuid", lead); // nothing was done since
            }
            UUID message = UUID.randomUUID();
            sql("""
                    insert into outgoing (id, business_id, lead_id, purpose, place, road, recipient, subject, body, due_at,
                        state, tries, said, kept_at, needs)
                    values (?, current_business(), null, 'alert', 9, 'email', ?, 'Hello', 'Text', %s, 'sent', 1, '', now(), '')
                    """.formatted(when), message, age + "@message.example");
            sql(
                    "insert into answer_received values (gen_random_uuid(), current_business(), ?, null, ?, " + when
                            + ")",
                    message,
                    age + " reply");
            sql("""
                    insert into subscriber (id, business_id, link_id, email, subscribed_at)
                    values (gen_random_uuid(), current_business(), ?::uuid, ?, now() - interval '5 years')
                    """, link, age + "@reader.example");
            sql("""
                    insert into visitor_consent
                    values (gen_random_uuid(), 0, current_business(), current_business(), gen_random_uuid(), gen_random_uuid(),
                        ?::uuid, 'advertising', 'yes', 'May we?', 'en', '', %s)
                    """.formatted(when), link);
            UUID words = UUID.randomUUID();
            sql(
                    "insert into consent_words values (?, current_business(), 'opt-in', gen_random_uuid(), 1, 'News?', now())",
                    words);
            sql("""
                    insert into consent_record (id, business_id, words_id, contact, purpose, page, given_at, withdrawn_at,
                        withdrawn_how, withdrawn_by)
                    values (gen_random_uuid(), current_business(), ?, ?, 'email-news', '', now() - interval '5 years', %s, 'stop-page', '')
                    """.formatted(when), words, age + "@reader.example");
        }
    }

    private Map<String, String> due() {
        Document page = Jsoup.parse(owner.get(PAGE).body());
        return page.select("tbody tr:has(select)").stream()
                .collect(Collectors.toMap(
                        row -> row.select("select").attr("name"),
                        row -> row.select("td").get(2).text()));
    }

    private List<String> sums() {
        return in(tenant, () -> jdbc.sql("""
                        select (select count(*) || ' ' || sum(value_minor) from outcome) || ' '
                            || (select count(*) || ' ' || sum(last_touch_minor) || ' ' || sum(linear_minor) from credit) || ' '
                            || (select count(*) from subscriber) || ' ' || (select count(*) from outgoing) || ' '
                            || (select count(distinct person) from identity)
                        """).query(String.class).list());
    }

    private List<String> stored(String sql) {
        return in(tenant, () -> jdbc.sql(sql).query(String.class).list());
    }

    @Test
    void the_night_takes_what_is_older_and_nothing_else() {
        leaveOldAndNew();
        assertThat(due())
                .containsOnly(
                        Map.entry("leads", "1"),
                        Map.entry("messages", "1"),
                        Map.entry("answers", "2"),
                        Map.entry("recipients", "0"),
                        Map.entry("subscribers", "1"),
                        Map.entry("visitor_consents", "1"),
                        Map.entry("outcomes", "1"));
        List<String> sums = sums();
        job.run();
        assertThat(sums()).isEqualTo(sums);
        assertThat(stored("select email from outcome order by email"))
                .containsExactly("", "", "new@guest.example", "new@lead.example");
        assertThat(stored("select answer from outcome where kind = 'lead' order by answer"))
                .containsExactly("", "new answer");
        assertThat(stored("select note from lead order by note")).containsExactly("", "new note");
        assertThat(stored("select recipient from outgoing where recipient like '%message%'"))
                .containsExactly("new@message.example");
        assertThat(stored("select text from answer_received order by text")).containsExactly("", "new reply");
        assertThat(stored("select email from subscriber where email like '%reader%'"))
                .containsExactly("new@reader.example");
        assertThat(stored("select key from identity where kind = 'email' and key like '%example' order by key"))
                .containsExactly("new@guest.example", "new@lead.example");
        assertThat(due().values()).containsOnly("0");
        assertThat(owner.get("/setup/privacy").body()).contains("Leads: kept for 24 months", "Wendo");
    }

    @Test
    void what_would_go_is_seen_before_it_is_saved() {
        leaveOldAndNew();
        Document page = Jsoup.parse(owner.get(PAGE + "?outcomes=60&leads=3").body());
        assertThat(page.select("#outcomes option[selected]").val()).isEqualTo("60");
        assertThat(page.select("tr:has(#outcomes) td").get(2).text()).isEqualTo("0");
        assertThat(due()).as("nothing was saved").containsEntry("outcomes", "1");
        String version = page.select("input[name=version]").val();
        assertThat(owner.form(PAGE, PAGE, "version", version, "outcomes", "60").statusCode())
                .isEqualTo(302);
        assertThat(due()).containsEntry("outcomes", "0").containsEntry("leads", "1");
        assertThat(owner.form(PAGE, PAGE, "version", version, "outcomes", "3").statusCode())
                .isEqualTo(409);
        assertThat(owner.form(PAGE, PAGE, "outcomes", "7").statusCode()).isEqualTo(422);
        assertThat(owner.get("/setup/processing").body()).contains("Bookings and purchases", "5 years");
        assertThat(owner.get("/setup/processing/record.csv").body()).contains("5 years", "Legitimate interest");
    }
}

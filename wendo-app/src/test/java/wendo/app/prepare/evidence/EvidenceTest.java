package wendo.app.prepare.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

class EvidenceTest extends WendoTest {
    private Tenant tenant;
    private List<String> slugs;
    private Http person;

    @BeforeEach
    void issue() {
        tenant = tenant("Teal Tours");
        slugs = http().issue(tenant.apiKey(), "https://teal.example/", "Spring", "Postcards", "Reed Campsite");
        person = http().signIn(tenant.email());
        await(
                "the links are known",
                () -> http().visit(tenant.host(), slugs.get(1)).statusCode() == 302);
    }

    private String source(String name) {
        return in(
                tenant,
                () -> jdbc.sql("select id::text from source where name = ?")
                        .param(name)
                        .query(String.class)
                        .single());
    }

    private String report(String reference, String more) {
        HttpResponse<String> answer = http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"booking\", \"reference\": \"%s\", \"value\": 40%s}".formatted(reference, more));
        assertThat(answer.statusCode()).as(answer.body()).isLessThan(300);
        return Http.json(answer).get("id").asString();
    }

    private String creditOf(String reference) {
        return in(
                tenant,
                () -> jdbc.sql("""
                        select s.name || ' ' || c.last_touch_share || ' ' || c.last_touch_minor from credit c
                        join outcome o on o.id = c.outcome_id join source s on s.id = c.source_id
                        where o.reference = ? and c.last_touch_share > 0
                        """)
                        .param(reference)
                        .query(String.class)
                        .optional()
                        .orElse("none"));
    }

    private void add(String kind, String text, String source) {
        assertThat(person.form("/setup/codes", "/setup/codes", "kind", kind, "text", text, "source", source(source))
                        .statusCode())
                .isEqualTo(302);
    }

    @Test
    void a_code_given_at_the_till_earns_for_the_partner_also_if_it_is_entered_later() {
        String booking = report("B-1", ", \"code\": \"reed 10\"");
        await("it is seen", () -> count(tenant, "select count(*) from outcome_clue where source_id is null") == 1);
        assertThat(creditOf("B-1")).isEqualTo("none");
        assertThat(person.get("/outcomes/" + booking).body())
                .contains("The code reed 10 was given, which stands for no source yet.");
        assertThat(person.get("/setup/codes").body()).contains("no source yet", "reed 10");
        assertThat(person.get("/today").body()).contains("1 code matches no source");
        add("code", "REED-10", "Reed Campsite");
        await("it is credited", () -> creditOf("B-1").equals("Reed Campsite 1000000 4000"));
        assertThat(person.get("/outcomes/" + booking).body()).contains("it stands for Reed Campsite.");
        HttpResponse<String> taken = person.form(
                "/setup/codes", "/setup/codes", "kind", "code", "text", "Reed10", "source", source("Postcards"));
        assertThat(taken.statusCode()).isEqualTo(422);
        assertThat(taken.body()).contains("It stands for Reed Campsite already.", "value=\"Reed10\"");
        person.form("/setup/codes", "/setup/codes/remove", "kind", "code", "key", "REED10");
        await("it is unknown again", () -> creditOf("B-1").equals("none"));
    }

    @Test
    void the_stronger_evidence_decides_and_the_disagreement_is_shown() {
        add("code", "REED10", "Reed Campsite");
        String click = Http.click(http().visit(tenant.host(), slugs.get(0)));
        String booking = report("B-2", ", \"code\": \"REED10\", \"clickId\": \"%s\"".formatted(click));
        await("it is credited", () -> creditOf("B-2").startsWith("Postcards"));
        assertThat(person.get("/outcomes/" + booking).body())
                .contains("points to Reed Campsite instead; the stronger evidence decides.");
    }

    @Test
    void an_answer_that_is_a_sources_name_or_was_matched_by_hand_points_to_it() {
        report("B-3", ", \"answer\": \"reed campsite\"");
        report("B-4", ", \"answer\": \"the lady at the site\"");
        await("the first is credited", () -> creditOf("B-3").startsWith("Reed Campsite"));
        add("answer", "The lady at the site", "Reed Campsite");
        await("so is the second", () -> creditOf("B-4").startsWith("Reed Campsite"));
    }

    @Test
    void somebody_known_from_an_earlier_lead_keeps_its_source() {
        String click = Http.click(http().visit(tenant.host(), slugs.get(0)));
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"lead\", \"reference\": \"L-1\", \"email\": \"Ines@marsh.example\", \"clickId\": \"%s\"}"
                                .formatted(click));
        await("the lead is credited", () -> creditOf("L-1").startsWith("Postcards"));
        String booking = report("B-5", ", \"email\": \"ines@MARSH.example\", \"name\": \"Ines Marsh\"");
        await("the booking is too", () -> creditOf("B-5").startsWith("Postcards"));
        assertThat(person.get("/outcomes/" + booking).body())
                .contains("ines@marsh.example is known from before: it stands for Postcards.", "Ines Marsh");
    }

    @Test
    void details_that_cannot_be_are_refused_with_their_fields() {
        HttpResponse<String> answer = http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"lead\", \"reference\": \"L-2\", \"email\": \"ines\", \"phone\": 12}");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("\"field\":\"email\"", "\"field\":\"phone\"");
    }

    @Test
    void items_become_one_line_and_later_details_leave_a_history_without_which_nothing_changes() {
        String booking = report("B-6", ", \"items\": [{\"name\": \"Taster\", \"quantity\": 2}, \"Cap\"]");
        report("B-6", ", \"note\": \"window seat\"");
        assertThat(person.get("/outcomes/" + booking).body()).contains("2 × Taster, Cap", "window seat");
        report("B-6", "");
        assertThat(count(tenant, "select count(*) from outcome_change")).isEqualTo(1);
    }

    private HttpResponse<String> set(String booking, String source) {
        return person.form("/outcomes/" + booking, "/outcomes/" + booking + "/source", "source", source);
    }

    @Test
    void what_somebody_knows_goes_before_all_evidence_and_can_be_taken_back() {
        String click = Http.click(http().visit(tenant.host(), slugs.get(0)));
        String booking = report("B-7", ", \"clickId\": \"%s\"".formatted(click));
        await("it is credited", () -> creditOf("B-7").startsWith("Postcards"));
        assertThat(set(booking, source("Reed Campsite")).statusCode()).isEqualTo(302);
        await("it is credited anew", () -> creditOf("B-7").equals("Reed Campsite 1000000 4000"));
        assertThat(person.get("/outcomes/" + booking).body())
                .contains(
                        "Ola Ness set where the booking came from: it stands for Reed Campsite.", "Reed Campsite</td>");
        assertThat(set(booking, java.util.UUID.randomUUID().toString()).statusCode())
                .isEqualTo(422);
        set(booking, "");
        await("the evidence decides again", () -> creditOf("B-7").startsWith("Postcards"));
    }
}

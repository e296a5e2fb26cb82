package wendo.app.compare.experiments;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

class MatchBackTest extends WendoTest {

    @Test
    void a_part_of_a_list_is_held_out_and_what_it_did_tells_what_would_have_come_anyway() {
        Tenant tenant = tenant("Godwit Gear");
        http().issue(tenant.apiKey(), "https://godwit.example/", "Spring", "Text to students");
        Http person = http().signIn(tenant.email());
        assertThat(person.get("/compare/lists").body()).contains("A recipient list appears here once");
        String page = "/links/"
                + in(
                        tenant,
                        () -> jdbc.sql("select id from link")
                                .query(String.class)
                                .single());
        StringBuilder table = new StringBuilder("Name,Email\n");
        for (int i = 0; i < 40; i++) {
            table.append("Reader ").append(i).append(",r").append(i).append("@reed.example\n");
        }
        String list = person.form(page + "/message", page + "/recipients", "pasted", table.toString())
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceFirst("^https?://[^/]+", "");
        assertThat(person.form(
                                list,
                                list,
                                "name",
                                "0",
                                "phone",
                                "-1",
                                "email",
                                "1",
                                "text",
                                "{link}",
                                "heldOut",
                                "90",
                                "make",
                                "yes",
                                "consentSource",
                                "Ticked at the till")
                        .statusCode())
                .isEqualTo(422);
        person.form(
                list,
                list,
                "name",
                "0",
                "phone",
                "-1",
                "email",
                "1",
                "text",
                "{link}",
                "heldOut",
                "25",
                "make",
                "yes",
                "consentSource",
                "Ticked at the till");
        assertThat(count(tenant, "select count(*) from recipient where held_out and code is null"))
                .isEqualTo(10);
        assertThat(count(tenant, "select count(*) from recipient where not held_out and code is not null"))
                .isEqualTo(30);
        assertThat(person.get(list).body()).contains("Held out by lot: send them nothing.");
        for (String who : in(tenant, () -> jdbc.sql("""
                        (select email from recipient where held_out order by line limit 1)
                        union all (select email from recipient where not held_out order by line limit 12)
                        """).query(String.class).list())) {
            http().post(tenant.apiKey(), "/api/v1/outcomes", """
                            {"kind": "booking", "reference": "B-%s", "value": 90, "email": "%s"}
                            """.formatted(
                            who.substring(0, who.indexOf('@')), who.toUpperCase(java.util.Locale.ROOT)));
        }
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"booking\", \"reference\": \"B-x\", \"email\": \"else@reed.example\"}");
        await(
                "they are credited",
                () -> count(tenant, "select count(*) from credit where source_id is not null") == 12);
        assertThat(
                        count(
                                tenant,
                                "select count(*) from credit c join outcome o on o.id = c.outcome_id join recipient r on r.email = o.email where r.held_out"))
                .as("nothing was sent to them, so no link brought them")
                .isZero();

        assertThat(person.get("/compare/lists?kind=booking").body())
                .contains(
                        "It may have brought nothing beyond what would have come anyway (95 %: ",
                        "40.0% (24.6% to 57.7%)",
                        "10.0% (1.8% to 40.4%)",
                        "Match-back: 12 bookings of people on the list, whatever brought them; 12 of these credited to its source.");
        assertThat(person.get("/compare/lists?kind=lead&days=x").body())
                .contains("A whole number, 1 to 365. Shown for 30.");
        assertThat(http().signIn(tenant("Somebody Else").email())
                        .get("/compare/lists")
                        .body())
                .doesNotContain("Match-back: 12");
    }
}

package wendo.app.prepare.campaigns;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

class CampaignsTest extends WendoTest {
    @Test
    void a_campaign_has_days_and_a_budget_and_stands_on_the_ribbon() {
        Tenant tenant = tenant("Plover Pots");
        Http person = http().signIn(tenant.email());
        String today =
                java.time.LocalDate.now(java.time.ZoneId.of("Europe/London")).toString();
        add(person, "Spring tides", today, today, "£1,250.50");
        assertThat(person.get("/setup/campaigns").body()).contains("Spring tides", "£1,250.50");
        assertThat(person.get("/today").body()).contains("Spring tides");

        HttpResponse<String> wrong = add(person, "Autumn", today, "2020-01-01", "lots");
        assertThat(wrong.statusCode()).isEqualTo(422);
        assertThat(wrong.body())
                .contains("The last day is before the first.", "Enter an amount in GBP", "value=\"lots\"");
        assertThat(add(person, "Autumn", today, "", "").body()).contains("Enter both days, or neither.");
        assertThat(add(person, "SPRING-tides", "", "", "").body())
                .contains("There is a campaign with this name already.");

        UUID id = in(
                tenant,
                () -> jdbc.sql("select id from campaign").query(UUID.class).single());
        assertThat(person.get("/setup/campaigns/" + id).body()).contains("value=\"1250.50\"");
        person.form("/setup/campaigns/" + id, "/setup/campaigns/" + id + "/archive", "away", "true");
        assertThat(person.get("/issue").body()).doesNotContain("Spring tides");
        assertThat(person.get("/setup/campaigns/" + UUID.randomUUID()).statusCode())
                .isEqualTo(404);
    }

    private static HttpResponse<String> add(Http person, String name, String first, String last, String budget) {
        return person.form(
                "/setup/campaigns",
                "/setup/campaigns",
                "name",
                name,
                "firstDay",
                first,
                "lastDay",
                last,
                "budget",
                budget,
                "note",
                "");
    }
}

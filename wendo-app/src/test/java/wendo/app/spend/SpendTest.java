package wendo.app.spend;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

class SpendTest extends WendoTest {

    @Test
    void spend_is_entered_removed_and_put_back() {
        Tenant tenant = tenant("Heron Hire");
        http().issue(tenant.apiKey(), "https://heron.example/", "Spring", "Postcards");
        String source = in(
                        tenant,
                        () -> jdbc.sql("select id from source")
                                .query(UUID.class)
                                .single())
                .toString();
        Http person = http().signIn(tenant.email());
        HttpResponse<String> refused = person.form(
                "/spend",
                "/spend?period=season",
                "source",
                "",
                "amount",
                "lots",
                "firstDay",
                "2026-05-02",
                "lastDay",
                "2026-05-01",
                "note",
                "kept note");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body())
                .contains(
                        "Choose the source",
                        "Type an amount in GBP, like 1,250.00.",
                        "The last day lies before the first.",
                        "kept note",
                        "value=\"lots\"");
        String query = "?from=2026-05-01&to=2026-05-02";
        HttpResponse<String> entered = person.form(
                "/spend",
                "/spend" + query,
                "source",
                source,
                "amount",
                "£100.01",
                "firstDay",
                "2026-05-01",
                "lastDay",
                "2026-05-04",
                "note",
                "cards");
        assertThat(entered.headers().firstValue("Location").orElseThrow()).endsWith("/spend" + query);
        assertThat(person.get("/spend" + query).body()).contains("£50.01 spent in this period", "£100.01", "cards");
        UUID id = in(
                tenant, () -> jdbc.sql("select id from spend").query(UUID.class).single());
        assertThat(person.form("/spend", "/spend/" + id + "/remove" + query).statusCode())
                .isEqualTo(302);
        assertThat(person.get("/spend" + query).body())
                .contains("Removed 100.01 for Postcards.", "value=\"100.01\"", "£0.00 spent");
        assertThat(person.get("/spend" + query).body()).doesNotContain("Put it back");
    }
}

package wendo.app.spend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.http.HttpResponse;
import java.util.Locale;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.Http;
import wendo.app.WendoTest;

class SpendTest extends WendoTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1250 | en-GB | 125000",
                "£1,250.00 | en-GB | 125000",
                "1,250.5 GBP | en-GB | 125050",
                "gbp 3 | en-GB | 300",
                "1.250,00 € | de-DE | 125000",
                "0,5 | de-DE | 50",
            })
    void amounts_are_read_as_people_write_them(String typed, String locale, long minor) {
        assertThat(Amount.of(typed, CurrencyUnit.GBP, Locale.forLanguageTag(locale)))
                .isEqualTo(new Amount(minor));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"0", "-5", "1.234", "1,25", "12,50", "1e5", "''", "ten", "1000000000000", "999999999999"})
    void other_amounts_are_refused(String typed) {
        assertThatThrownBy(() -> Amount.of(typed, CurrencyUnit.GBP, Locale.UK)).hasMessageContaining("like 1,250.00");
    }

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

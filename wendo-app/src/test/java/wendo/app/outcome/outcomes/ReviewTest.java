package wendo.app.outcome.outcomes;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

/** Anybody can call with a site's public key: what is not believed waits, and counts nowhere. */
class ReviewTest extends WendoTest {
    private Tenant tenant;
    private Http person;

    @BeforeEach
    void open() {
        tenant = tenant("Redshank Rigging");
        person = http().signIn(tenant.email());
    }

    private void report(String origin, String reference, String value, String more) {
        HttpRequest.Builder request =
                http().request("/t/outcomes").header("Host", tenant.host()).header("Content-Type", "text/plain");
        if (!origin.isEmpty()) {
            request.header("Origin", origin);
        }
        assertThat(http().send(request.POST(HttpRequest.BodyPublishers.ofString(
                                "{\"site\": \"%s\", \"kind\": \"booking\", \"reference\": \"%s\", \"value\": \"%s\"%s}"
                                        .formatted(tenant.siteKey(), reference, value, more))))
                        .statusCode())
                .isEqualTo(204);
    }

    private long counted() {
        return count(tenant, "select coalesce(sum(value_minor), 0) from outcome");
    }

    @Test
    void a_report_from_elsewhere_or_beyond_belief_counts_only_once_it_is_accepted() {
        report(SITE, "B-1", "95.00", "");
        assertThat(counted()).as("their own page").isEqualTo(9500);
        report("https://evil.example", "B-2", "80.00", "");
        report("", "B-3", "70.00", "");
        report(SITE, "B-4", "999999999.99", "");
        report(SITE + ".evil.example", "B-5", "60.00", "");
        report("https://evil.example", "b-2 ", "81.00", "");
        assertThat(counted()).isEqualTo(9500);
        String page = person.get("/outcomes/review").body();
        assertThat(page)
                .contains(
                        "It came from a site that is not one of yours.",
                        "It did not come from a page of a site.",
                        "Its value is far above your usual sales.",
                        "£80.00",
                        "Always accept from evil.example")
                .doesNotContain("£81.00");
        assertThat(person.get("/today").body()).contains("4 reports to review");
        assertThat(person.get("/outcomes").body()).contains("4 reports to review");
        String id = in(
                tenant,
                () -> jdbc.sql("select id::text from outcome_review where reference_key = 'b-3'")
                        .query(String.class)
                        .single());
        assertThat(http().signIn(tenant("Curious Cruises").email())
                        .form("/today", "/outcomes/review/" + id + "/accept")
                        .statusCode())
                .isEqualTo(302);
        assertThat(counted()).as("another business decides nothing here").isEqualTo(9500);
        person.form("/outcomes/review", "/outcomes/review/" + id + "/accept");
        person.form("/outcomes/review", "/outcomes/review/" + id + "/accept");
        assertThat(counted()).isEqualTo(9500 + 7000);
        person.form("/outcomes/review", "/outcomes/review/trust", "site", "evil.example");
        assertThat(counted()).as("and what waited from there").isEqualTo(9500 + 7000 + 8000);
        report("https://evil.example", "B-6", "1.00", "");
        assertThat(counted()).as("learned").isEqualTo(9500 + 7000 + 8000 + 100);
        String[] rest = in(
                        tenant,
                        () -> jdbc.sql("select id::text from outcome_review where state = 'waiting'")
                                .query(String.class)
                                .list())
                .stream()
                .flatMap(one -> java.util.stream.Stream.of("shown", one))
                .toArray(String[]::new);
        assertThat(rest).hasSize(4);
        person.form("/outcomes/review", "/outcomes/review/all?what=discard", rest);
        assertThat(person.get("/outcomes/review").body()).contains("Nothing to review.");
        assertThat(counted()).isEqualTo(9500 + 7000 + 8000 + 100);
    }

    /** The ceiling is what they set, else ten times the usual, and no less than the dearest that they reported themselves. */
    @Test
    void how_much_is_believed_follows_what_the_business_sells_for() {
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"booking\", \"reference\": \"D\", \"value\": 40}");
        report(SITE, "E-1", "400.00", "");
        report(SITE, "E-2", "400000.00", "");
        assertThat(counted()).isEqualTo(4000 + 40000);
        person.form("/setup/site-tag", "/setup/site-tag/ceiling", "ceiling", "50");
        report(SITE, "E-3", "50.00", "");
        report(SITE, "E-4", "50.01", "");
        assertThat(counted()).isEqualTo(4000 + 40000 + 5000);
    }

    /** HMAC: RFC 2104 with SHA-256, here by the Java platform's own Mac. */
    @Test
    void what_their_server_signed_is_believed_and_what_is_signed_wrongly_is_not() throws Exception {
        String secret = person.get("/setup/site-tag").body().replaceFirst("(?s)^.*>([0-9a-f]{64})</code>.*$", "$1");
        Mac mac = Mac.getInstance("HmacSHA256");
        mac.init(new SecretKeySpec(secret.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
        String signature =
                HexFormat.of().formatHex(mac.doFinal("booking\nS-1\n250000.00\n\n".getBytes(StandardCharsets.UTF_8)));
        report("", "S-1", "250000.00", ", \"signature\": \"%s\"".formatted(signature));
        assertThat(counted()).isEqualTo(25_000_000);
        report(SITE, "S-2", "250000.00", ", \"signature\": \"%s\"".formatted(signature));
        assertThat(counted()).isEqualTo(25_000_000);
        assertThat(person.get("/outcomes/review").body()).contains("Its signature is not right.");
    }
}

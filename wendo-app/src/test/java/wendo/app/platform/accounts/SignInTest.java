package wendo.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;

class SignInTest extends WendoTest {
    @Autowired
    private Accounts accounts;

    @Test
    void a_wrong_password_keeps_the_email_and_names_the_fault() {
        Tenant tenant = tenant("Kestrel Kayaks");
        HttpResponse<String> answer = http().form("/sign-in", "/sign-in", "email", tenant.email(), "password", "wrong");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body())
                .contains("do not belong together", tenant.email())
                .doesNotContain("wrong\"");
    }

    @Test
    void an_address_opened_cold_is_shown_after_signing_in() {
        Tenant tenant = tenant("Lapwing Launches");
        Http person = http();
        assertThat(person.get("/compare?period=28d")
                        .headers()
                        .firstValue("Location")
                        .orElseThrow())
                .endsWith("/sign-in");
        HttpResponse<String> answer = person.form(
                "/sign-in",
                "/sign-in",
                "email",
                tenant.email().toUpperCase(java.util.Locale.ROOT),
                "password",
                PASSWORD);
        assertThat(answer.headers().firstValue("Location").orElseThrow()).contains("/compare?period=28d");
    }

    @Test
    void guessing_is_slowed_down_and_keeps_nobody_out_who_was_here_before() {
        Tenant tenant = tenant("Merlin Moorings");
        Http owner = http().signIn(tenant.email());
        Http guesser = http();
        for (int i = 0; i < 10; i++) {
            assertThat(guesser.form("/sign-in", "/sign-in", "email", tenant.email(), "password", "guess" + i)
                            .statusCode())
                    .isEqualTo(422);
        }
        HttpResponse<String> answer =
                guesser.form("/sign-in", "/sign-in", "email", tenant.email(), "password", PASSWORD);
        assertThat(answer.statusCode()).isEqualTo(429);
        assertThat(answer.body()).contains("Wait half a minute");
        owner.form("/today", "/sign-out");
        assertThat(owner.form("/sign-in", "/sign-in", "email", tenant.email(), "password", PASSWORD)
                        .statusCode())
                .as("a device that signed in before")
                .isEqualTo(302);
        assertThat(jdbc.sql("select count(*) from limit_bucket")
                        .query(Long.class)
                        .single())
                .as("in the database, for all processes")
                .isPositive();
    }

    @Test
    void who_is_nobody_leaves_no_session_and_is_sent_to_no_other_host() {
        long before = jdbc.sql("select count(*) from spring_session")
                .query(Long.class)
                .single();
        Http nobody = http();
        nobody.get("/sign-in");
        HttpResponse<String> led = nobody.send(nobody.request("/today").header("Host", "evil.example"));
        assertThat(led.headers().firstValue("Location")).hasValue("/sign-in");
        nobody.form("/sign-in", "/sign-in", "email", "nobody@reed.example", "password", "guess");
        assertThat(jdbc.sql("select count(*) from spring_session")
                        .query(Long.class)
                        .single())
                .isEqualTo(before);
        assertThat(led.headers().map()).containsKeys("cross-origin-opener-policy", "permissions-policy");
        assertThat(http().get("/api/v1/links").headers().firstValue("Content-Type"))
                .hasValue("application/problem+json;charset=UTF-8");
    }

    @Test
    void a_lost_session_sends_a_part_of_a_page_to_the_sign_in_as_a_whole() {
        HttpResponse<String> answer =
                http().send(http().request("/today/arrivals").header("HX-Request", "true"));
        assertThat(answer.statusCode()).isEqualTo(401);
        assertThat(answer.headers().firstValue("HX-Redirect")).hasValue("/sign-in");
    }

    @Test
    void a_person_of_two_businesses_sees_one_at_a_time() {
        Tenant one = tenant("Nuthatch Nautics");
        Tenant two = tenant("Osprey Outings");
        UUID person = jdbc.sql("select id from person where email = ?")
                .param(one.email())
                .query(UUID.class)
                .single();
        scope.within(two.id(), () -> {
            accounts.join(person, Role.STAFF);
            return true;
        });
        Http browser = http().signIn(one.email());
        assertThat(browser.get("/setup/keys").body()).contains("Go to Osprey Outings", "New key");
        assertThat(browser.form(
                                "/setup",
                                "/business",
                                "business",
                                two.id().value().toString())
                        .statusCode())
                .isEqualTo(302);
        assertThat(browser.get("/today").body()).contains("Go to Nuthatch Nautics");
        assertThat(browser.get("/setup").statusCode()).as("staff").isEqualTo(403);
        assertThat(browser.form("/today", "/setup/keys", "name", "mine").statusCode())
                .as("staff")
                .isEqualTo(403);
    }

    @Test
    void a_key_is_shown_once_and_revoked_at_once() {
        Tenant tenant = tenant("Plover Paddles");
        Http person = http().signIn(tenant.email());
        assertThat(person.form("/setup", "/setup/keys", "name", " ").statusCode())
                .isEqualTo(422);
        person.form("/setup", "/setup/keys", "name", "Booking system");
        String key = keyOn(person.get("/setup/keys").body());
        assertThat(person.get("/setup/keys").body()).contains("Booking system").doesNotContain(key);
        assertThat(http().api(key, "/api/v1/links").statusCode()).isEqualTo(200);
        UUID id = in(
                tenant,
                () -> jdbc.sql("select id from api_key where name = 'Booking system'")
                        .query(UUID.class)
                        .single());
        person.form("/setup", "/setup/keys/" + id + "/revoke");
        assertThat(http().api(key, "/api/v1/links").statusCode()).isEqualTo(401);
    }
}

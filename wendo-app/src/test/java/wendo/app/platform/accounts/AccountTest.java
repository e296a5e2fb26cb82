package wendo.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;

/** One's own account: how one signs in, and what happens when that is lost. */
class AccountTest extends WendoTest {
    private static final String NEW_PASSWORD = "three shells and an otter";

    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private Http person;

    @BeforeEach
    void open() {
        tenant = tenant("Scoter Sails");
        person = http().signIn(tenant.email());
    }

    private UUID id() {
        return accounts.find(tenant.email()).orElseThrow();
    }

    private List<String> mails(String recipient) {
        return in(
                tenant,
                () -> jdbc.sql("select body from outgoing where recipient = ? order by kept_at")
                        .param(recipient)
                        .query(String.class)
                        .list());
    }

    private static String path(String mail) {
        Matcher address = Pattern.compile("https?://[^/]+(/\\S+)").matcher(mail);
        assertThat(address.find()).as(mail).isTrue();
        return address.group(1);
    }

    private HttpResponse<String> signIn(Http browser, String email, String password) {
        return browser.form("/sign-in", "/sign-in", "email", email, "password", password);
    }

    @Test
    void a_name_is_changed_and_greets_at_once() {
        assertThat(person.form("/account", "/account/name", "name", " ").statusCode())
                .isEqualTo(422);
        person.form("/account", "/account/name", "name", "Ola <b>Nesse</b>");
        assertThat(person.get("/today").body()).contains("Ola &lt;b&gt;Nesse&lt;/b&gt;");
    }

    @Test
    void a_password_is_changed_and_every_other_browser_is_signed_out() {
        Http other = http().signIn(tenant.email());
        assertThat(person.form("/account", "/account/password", "password", "short")
                        .body())
                .contains("Use 12 characters or more.");
        assertThat(person.form("/account", "/account/password", "password", "Scoter Sails owner")
                        .statusCode())
                .isIn(302, 422);
        assertThat(person.form("/account", "/account/password", "password", NEW_PASSWORD)
                        .statusCode())
                .isEqualTo(302);
        assertThat(other.get("/today").statusCode()).as("signed out").isEqualTo(302);
        assertThat(person.get("/today").statusCode()).as("still in").isEqualTo(200);
        assertThat(signIn(http(), tenant.email(), PASSWORD).statusCode()).isEqualTo(422);
        assertThat(signIn(http(), tenant.email(), NEW_PASSWORD).statusCode()).isEqualTo(302);
        assertThat(mails(tenant.email())).anyMatch(mail -> mail.contains("your password for Wendo was changed"));
    }

    @Test
    void a_forgotten_password_is_set_anew_by_a_mail_once() {
        Http visitor = http();
        String asked = visitor.form(
                        "/sign-in/password",
                        "/sign-in/password",
                        "email",
                        " " + tenant.email().toUpperCase(java.util.Locale.ROOT))
                .body();
        String asNobody = http().form("/sign-in/password", "/sign-in/password", "email", "nobody@reed.example")
                .body();
        assertThat(Jsoup.parse(asked).text()).isEqualTo(Jsoup.parse(asNobody).text());
        String link = path(mails(tenant.email()).get(0));
        assertThat(visitor.get(link).body()).as("opening it does nothing yet").contains("New password");
        assertThat(visitor.get(link).body()).contains("New password").doesNotContain("This link is over");
        assertThat(visitor.form(link, link, "password", "password1234").body()).contains("easy to guess");
        assertThat(visitor.form(link, link, "password", NEW_PASSWORD).headers().firstValue("Location"))
                .hasValue("/sign-in");
        assertThat(person.get("/today").statusCode())
                .as("signed out everywhere")
                .isEqualTo(302);
        assertThat(visitor.form("/sign-in", link, "password", "another otter and a shell")
                        .body())
                .contains("This link is over");
        assertThat(signIn(http(), tenant.email(), NEW_PASSWORD).statusCode()).isEqualTo(302);
        assertThat(visitor.get("/sign-in/password/" + UUID.randomUUID()).body()).contains("This link is over");
    }

    @Test
    void only_so_many_mails_go_to_one_account() {
        for (int i = 0; i < 6; i++) {
            http().form("/sign-in/password", "/sign-in/password", "email", tenant.email());
        }
        assertThat(mails(tenant.email())).hasSize(3);
    }

    @Test
    void an_e_mail_is_changed_from_a_mail_to_the_new_one_and_told_at_the_old_one() {
        String wanted = "new-" + tenant.email();
        assertThat(person.form("/account", "/account/email", "email", "nothing").body())
                .contains("This is not an e-mail address.", "value=\"nothing\"");
        person.form("/account", "/account/email", "email", wanted);
        assertThat(accounts.find(wanted)).as("not yet").isEmpty();
        String link = path(mails(wanted).get(0));
        assertThat(http().form(link, link).statusCode()).isEqualTo(302);
        assertThat(accounts.find(wanted)).hasValue(accounts.find(wanted).orElseThrow());
        assertThat(accounts.find(tenant.email())).isEmpty();
        assertThat(mails(tenant.email())).anyMatch(mail -> mail.contains(wanted));
        assertThat(http().form("/sign-in", link).body()).contains("This link is over");
        assertThat(person.get("/account").statusCode())
                .as("sessions that bear the address from before have ended")
                .isEqualTo(302);
        assertThat(signIn(person, wanted, PASSWORD).statusCode()).isEqualTo(302);
        assertThat(person.get("/account").body()).contains(wanted);
    }

    @Test
    void an_e_mail_of_somebody_else_is_refused_and_stays_theirs() {
        Tenant other = tenant("Gadwall Guides");
        person.form("/account", "/account/email", "email", other.email());
        String link = path(mails(other.email()).get(0));
        assertThat(http().form(link, link).body()).contains("Somebody else signs in with this e-mail.");
        assertThat(signIn(http(), other.email(), PASSWORD).statusCode()).isEqualTo(302);
    }

    @Test
    void sessions_are_listed_and_ended_one_by_one_or_all() {
        Http phone = http().signIn(tenant.email());
        Http tablet = http().signIn(tenant.email());
        String page = person.get("/account").body();
        assertThat(page).contains("this browser", "Chrome").contains("Sign out everywhere else");
        String end = Jsoup.parse(page).select("form[action^=/account/sessions/][action$=/end]").stream()
                .map(form -> form.attr("action"))
                .filter(action -> !action.equals("/account/sessions/end"))
                .findFirst()
                .orElseThrow();
        assertThat(person.form("/account", end).statusCode()).isEqualTo(302);
        assertThat(List.of(
                        phone.get("/today").statusCode(), tablet.get("/today").statusCode()))
                .containsExactlyInAnyOrder(200, 302);
        person.form("/account", "/account/sessions/end");
        assertThat(List.of(
                        phone.get("/today").statusCode(), tablet.get("/today").statusCode()))
                .containsExactly(302, 302);
        assertThat(person.get("/today").statusCode()).isEqualTo(200);
        Http stranger = http().signIn(tenant("Gadwall Guides").email());
        assertThat(stranger.form("/account", end).statusCode()).isEqualTo(404);
    }

    @Test
    void a_new_device_is_told_by_mail_and_a_wrong_password_stands_in_the_history() {
        assertThat(mails(tenant.email())).as("the first one is no news").isEmpty();
        Http phone = http();
        signIn(phone, tenant.email(), "wrong wrong wrong");
        phone.signIn(tenant.email());
        assertThat(mails(tenant.email())).singleElement().asString().contains("a browser that is new here");
        phone.form("/today", "/sign-out");
        phone.signIn(tenant.email());
        assertThat(mails(tenant.email())).as("known by now").hasSize(1);
        assertThat(Jsoup.parse(person.get("/account").body())
                        .select("section:has(#history-title) tbody tr")
                        .eachText())
                .hasSize(4)
                .anyMatch(row -> row.contains("Password, refused"));
    }

    @Test
    void after_a_while_it_is_asked_again_who_it_is_and_nothing_typed_is_lost() {
        in(
                tenant,
                () -> jdbc.sql("delete from spring_session_attributes where attribute_name = 'wendo.confirmedAt'")
                        .update());
        HttpResponse<String> asked = person.form("/setup/keys", "/setup/keys", "name", "Till <1>", "scope", "report");
        assertThat(asked.statusCode()).isEqualTo(422);
        assertThat(asked.body()).contains("Confirm it’s you", "value=\"Till &lt;1&gt;\"", "value=\"report\"");
        assertThat(count(tenant, "select count(*) from api_key where name = 'Till <1>'"))
                .isZero();
        assertThat(person.form("/setup/keys", "/setup/keys", "name", "Till <1>", "confirmPassword", "wrong wrong wrong")
                        .body())
                .contains("That is not right.");
        person.form("/setup/keys", "/setup/keys", "name", "Till <1>", "confirmPassword", PASSWORD);
        assertThat(count(tenant, "select count(*) from api_key where name = 'Till <1>'"))
                .isOne();
        person.form("/setup/keys", "/setup/keys", "name", "Till 2");
        assertThat(count(tenant, "select count(*) from api_key where name = 'Till 2'"))
                .as("for a while it is not asked again")
                .isOne();
    }

    @Test
    void a_session_ends_after_ninety_days_however_often_it_is_used() {
        jdbc.sql("update spring_session set creation_time = creation_time - ? where principal_name = ?")
                .params(Sessions.LONGEST.toMillis() + 1000, id().toString())
                .update();
        assertThat(person.get("/today").headers().firstValue("Location")).hasValue("/sign-in");
    }

    private static String code(String secret, int apart) {
        return OneTimeCodes.at(secret, System.currentTimeMillis() / 1000 / 30 + apart);
    }

    private String turnOn() {
        person.form("/account", "/account/factor");
        String secret = Jsoup.parse(person.get("/account/factor").body())
                .select("form code")
                .text()
                .replace(" ", "");
        assertThat(person.form("/account/factor", "/account/factor/on", "code", "000000")
                        .body())
                .contains("This code is not right");
        assertThat(person.form("/account/factor", "/account/factor/on", "code", code(secret, -1))
                        .statusCode())
                .isEqualTo(302);
        return secret;
    }

    @Test
    void with_a_second_factor_a_password_alone_opens_nothing() {
        String secret = turnOn();
        List<String> recovery = Jsoup.parse(person.get("/account/recovery").body())
                .select("#recovery-codes")
                .text()
                .lines()
                .flatMap(line -> Pattern.compile("\\s+").splitAsStream(line))
                .toList();
        assertThat(recovery).hasSize(10).allMatch(one -> one.matches("[0-9b-z]{5}-[0-9b-z]{5}"));
        assertThat(person.get("/account/recovery").statusCode())
                .as("shown once")
                .isEqualTo(302);

        Http thief = http();
        assertThat(signIn(thief, tenant.email(), PASSWORD).headers().firstValue("Location"))
                .hasValue("/sign-in/code");
        for (String page : List.of("/today", "/account", "/setup/keys", "/webauthn/register")) {
            assertThat(thief.get(page).headers().firstValue("Location"))
                    .as(page)
                    .hasValue("/sign-in/code");
        }
        assertThat(thief.form("/sign-in/code", "/sign-in/code", "code", "123456")
                        .statusCode())
                .isEqualTo(422);
        assertThat(thief.form("/sign-in/code", "/sign-in/code", "code", code(secret, 0))
                        .headers()
                        .firstValue("Location"))
                .hasValue("/today");
        assertThat(thief.get("/today").statusCode()).isEqualTo(200);

        Http again = http();
        signIn(again, tenant.email(), PASSWORD);
        assertThat(again.form("/sign-in/code", "/sign-in/code", "code", code(secret, 0))
                        .statusCode())
                .as("a code is taken once")
                .isEqualTo(422);
        String spare = recovery.get(3).toUpperCase(java.util.Locale.ROOT).replace("-", " ");
        assertThat(again.form("/sign-in/code?recovery=true", "/sign-in/code", "recovery", "true", "code", spare)
                        .statusCode())
                .isEqualTo(302);
        Http third = http();
        signIn(third, tenant.email(), PASSWORD);
        assertThat(third.form("/sign-in/code?recovery=true", "/sign-in/code", "recovery", "true", "code", spare)
                        .statusCode())
                .as("so is a recovery code")
                .isEqualTo(422);
        assertThat(person.get("/account").body()).contains("9 recovery codes are left");
        person.form("/account", "/account/factor/off");
        assertThat(signIn(http(), tenant.email(), PASSWORD).headers().firstValue("Location"))
                .hasValueSatisfying(to -> assertThat(to).endsWith("/today"));
    }

    @Test
    void guessing_codes_is_slowed_down() {
        turnOn();
        Http thief = http();
        signIn(thief, tenant.email(), PASSWORD);
        for (int i = 0; i < 6; i++) {
            thief.form("/sign-in/code", "/sign-in/code", "code", "00000" + i);
        }
        assertThat(thief.form("/sign-in/code", "/sign-in/code", "code", "000009")
                        .body())
                .contains("Too many attempts");
    }

    @Test
    void a_business_can_ask_everybody_for_a_second_factor() {
        person.form("/setup/people", "/setup/people/second-factor", "needed", "yes");
        in(tenant, () -> {
            accounts.joinOnce(id(), Role.OWNER); // forgets what was kept of it
            return true;
        });
        Http fresh = http().signIn(tenant.email());
        await(
                "it is asked",
                () -> fresh.get("/today").headers().firstValue("Location").isPresent());
        assertThat(fresh.get("/account").body()).contains("This business asks for a second factor.");
        turnOn();
        assertThat(person.get("/today").statusCode()).isEqualTo(200);
    }
}

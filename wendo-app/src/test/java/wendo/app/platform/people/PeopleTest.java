package wendo.app.platform.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.UUID;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;

/** People are invited, change their role, hand over and leave. */
class PeopleTest extends WendoTest {
    private static final String OWN_PASSWORD = "three shells and an otter";

    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private Http owner;

    @BeforeEach
    void open() {
        tenant = tenant("Dabchick Dinghies");
        owner = http().signIn(tenant.email());
    }

    private String email(String name) {
        return name + "@" + tenant.id().value().toString().substring(0, 8) + ".example";
    }

    private UUID join(String name, Role role) {
        return in(tenant, () -> {
            UUID id = accounts.register(email(name), "A " + name, PASSWORD);
            accounts.join(id, role);
            return id;
        });
    }

    private UUID ownerId() {
        return accounts.find(tenant.email()).orElseThrow();
    }

    /** The address that the page shows once. */
    private String invite(String email, String role) {
        HttpResponse<String> done = owner.form("/setup/people", "/setup/people/invite", "email", email, "role", role);
        assertThat(done.statusCode()).as(done.body()).isEqualTo(302);
        return Jsoup.parse(owner.get("/setup/people").body())
                .select("#invitation-address")
                .text()
                .replaceFirst("^https?://[^/]+", "");
    }

    private List<String> mails(String recipient) {
        return in(
                tenant,
                () -> jdbc.sql("select body from outgoing where recipient = ? order by kept_at")
                        .param(recipient)
                        .query(String.class)
                        .list());
    }

    private Role roleOf(String email) {
        return in(
                        tenant,
                        () -> accounts.colleagues().stream()
                                .filter(one -> one.email().equals(email))
                                .findFirst()
                                .orElseThrow())
                .role();
    }

    @Test
    void somebody_new_joins_by_an_invitation_once() {
        String link = invite(
                " Tomas@Reed.example "
                        .replace("Reed", tenant.id().value().toString().substring(0, 8)),
                "staff");
        String email = email("tomas");
        assertThat(mails(email)).singleElement().asString().contains("Ola Ness invites you", "Dabchick Dinghies", link);
        assertThat(owner.get("/setup/people").body()).as("shown once").doesNotContain("invitation-address");
        Http tomas = http();
        assertThat(tomas.get(link).body()).contains("Join Dabchick Dinghies", "Ola Ness invites you as Staff.", email);
        HttpResponse<String> refused = tomas.form(link, link, "name", "Tomas Reed", "password", "dabchick dinghies");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("easy to guess", "value=\"Tomas Reed\"");
        assertThat(tomas.form(link, link, "name", "Tomas Reed", "password", OWN_PASSWORD)
                        .headers()
                        .firstValue("Location"))
                .hasValue("/today");
        assertThat(tomas.get("/today").body()).contains("Tomas Reed");
        assertThat(tomas.get("/setup/people").statusCode()).as("staff").isEqualTo(403);
        assertThat(http().get(link).body()).contains("This invitation was used or revoked");
        assertThat(http().form("/sign-in", link, "name", "Eve", "password", OWN_PASSWORD)
                        .body())
                .contains("This invitation was used or revoked");
        assertThat(http().form("/sign-in", "/sign-in", "email", email, "password", OWN_PASSWORD)
                        .statusCode())
                .isEqualTo(302);
    }

    @Test
    void somebody_new_joins_without_a_password_and_adds_a_passkey_next() {
        String link = invite(email("pia"), "owner");
        Http pia = http();
        assertThat(pia.form(link, link, "name", " ", "by", "passkey").statusCode())
                .as("a name is needed all the same")
                .isEqualTo(422);
        assertThat(pia.form(link, link, "name", "Pia Reed", "by", "passkey")
                        .headers()
                        .firstValue("Location"))
                .hasValue("/account/first-passkey");
        assertThat(pia.get("/account/first-passkey").body()).contains("data-to=\"/today\"", "Add your passkey");
        assertThat(pia.get("/account").body()).contains("Pia Reed");
        assertThat(roleOf(email("pia"))).isEqualTo(Role.OWNER);
    }

    @Test
    void whoever_has_an_account_joins_with_it_and_sees_both_businesses() {
        Tenant other = tenant("Pochard Punts");
        String link = invite(other.email(), "viewer");
        Http browser = http();
        assertThat(browser.get(link).body()).contains("Sign in to join").doesNotContain("New password");
        assertThat(browser.form(link, link, "name", "Eve", "password", OWN_PASSWORD)
                        .headers()
                        .firstValue("Location"))
                .as("knowing the link is not enough")
                .hasValue("/sign-in");
        HttpResponse<String> in = browser.form("/sign-in", "/sign-in", "email", other.email(), "password", PASSWORD);
        assertThat(in.headers().firstValue("Location").orElseThrow()).contains(link);
        assertThat(browser.form(link, link).statusCode()).isEqualTo(302);
        assertThat(browser.get("/today").body()).contains("Dabchick Dinghies", "Go to Pochard Punts");
        assertThat(roleOf(other.email())).isEqualTo(Role.VIEWER);
        assertThat(owner.get(invite(email("new"), "staff")).body())
                .as("an invitation of somebody else")
                .contains("You are signed in as Ola Ness.");
    }

    @Test
    void whoever_works_nowhere_any_more_joins_by_an_invitation() {
        UUID staff = join("tomas", Role.STAFF);
        owner.form("/setup/people", "/setup/people/" + staff + "/leave");
        String link = invite(email("tomas"), "manager");
        Http tomas = http().signIn(email("tomas"));
        assertThat(tomas.get("/today").statusCode())
                .as("there is no business to see")
                .isEqualTo(403);
        assertThat(tomas.get(link).body()).contains("Join Dabchick Dinghies").doesNotContain("Sign in to join");
        assertThat(tomas.form(link, link).statusCode()).isEqualTo(302);
        assertThat(tomas.get("/today").statusCode()).isEqualTo(200);
        assertThat(roleOf(email("tomas"))).isEqualTo(Role.MANAGER);
    }

    @Test
    void an_invitation_is_sent_again_revoked_and_runs_out() {
        String first = invite(email("una"), "manager");
        HttpResponse<String> twice =
                owner.form("/setup/people", "/setup/people/invite", "email", email("una"), "role", "staff");
        assertThat(twice.statusCode()).isEqualTo(422);
        assertThat(twice.body()).contains("This person is invited already");
        assertThat(owner.form("/setup/people", "/setup/people/invite", "email", tenant.email(), "role", "staff")
                        .body())
                .contains("This person works here already.");
        assertThat(owner.form("/setup/people", "/setup/people/invite", "email", "una", "role", "staff")
                        .body())
                .contains("This is not an e-mail address.", "value=\"una\"");
        Document page = Jsoup.parse(owner.get("/setup/people").body());
        String again = page.select("form[action$=/again]").attr("action");
        owner.form("/setup/people", again);
        String second = Jsoup.parse(owner.get("/setup/people").body())
                .select("#invitation-address")
                .text()
                .replaceFirst("^https?://[^/]+", "");
        assertThat(http().get(first).body()).contains("This invitation was used or revoked");
        assertThat(http().get(second).body()).contains("Join Dabchick Dinghies");
        in(
                tenant,
                () -> jdbc.sql("update invitation set expires_at = now() - interval '1 second'")
                        .update());
        assertThat(http().get(second).body()).contains("This invitation was used or revoked");
        assertThat(owner.get("/setup/people").body()).contains("Expired");
        owner.form("/setup/people", again.replace("/again", "/revoke"));
        assertThat(owner.get("/setup/people").body()).doesNotContain(email("una"));
        Http stranger = http().signIn(tenant("Somebody Else").email());
        assertThat(stranger.form("/setup/people", again).statusCode()).isEqualTo(404);
    }

    @Test
    void the_last_owner_stays_until_the_business_is_handed_on() {
        UUID manager = join("mia", Role.MANAGER);
        String self = "/setup/people/" + ownerId();
        owner.form("/setup/people", self + "/role", "role", "staff");
        assertThat(owner.get("/setup/people").body()).contains("A business needs an owner.");
        owner.form("/setup/people", self + "/leave");
        assertThat(roleOf(tenant.email())).isEqualTo(Role.OWNER);
        assertThat(owner.get("/setup/people/" + manager + "/own").body()).contains("A mia will own the business");
        owner.form("/setup/people", "/setup/people/" + manager + "/own");
        assertThat(roleOf(tenant.email())).isEqualTo(Role.MANAGER);
        assertThat(roleOf(email("mia"))).isEqualTo(Role.OWNER);
        await("they may no more", () -> owner.get("/setup/people").statusCode() == 403);
    }

    @Test
    void whoever_leaves_hands_over_in_the_same_step_and_is_out_at_once() {
        UUID staff = join("tomas", Role.STAFF);
        Http tomas = http().signIn(email("tomas"));
        String key = in(tenant, () -> {
            jdbc.sql("update api_key set created_by = ? where name = 'test'")
                    .param(staff)
                    .update();
            return tenant.apiKey();
        });
        http().issue(tenant.apiKey(), "https://dabchick.example/", "Spring", "Flyer");
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"lead\", \"reference\": \"L-1\", \"name\": \"Ines Marsh\", \"email\": \"ines@marsh.example\"}");
        await("it is a lead", () -> count(tenant, "select count(*) from lead where handed_at is not null") == 1);
        in(
                tenant,
                () -> jdbc.sql("update lead set owner_id = ?").param(staff).update()
                        + jdbc.sql("update link set owner_id = ?").param(staff).update()
                        + jdbc.sql("update source set owner_id = ?")
                                .param(staff)
                                .update());
        String page = owner.get("/setup/people/" + staff + "/leave").body();
        assertThat(page).contains("Remove A tomas", "1 open lead, 0 tasks, 1 link, 1 source");
        owner.form(
                "/setup/people",
                "/setup/people/" + staff + "/leave",
                "successor",
                ownerId().toString());
        for (String table : List.of("lead", "link", "source")) {
            assertThat(in(
                            tenant,
                            () -> jdbc.sql("select owner_id from " + table)
                                    .query(UUID.class)
                                    .single()))
                    .as(table)
                    .isEqualTo(ownerId());
        }
        assertThat(tomas.get("/today").statusCode()).as("signed out").isEqualTo(302);
        assertThat(http().api(key, "/api/v1/links").statusCode())
                .as("their key")
                .isEqualTo(401);
        assertThat(http().form("/sign-in", "/sign-in", "email", email("tomas"), "password", PASSWORD)
                        .statusCode())
                .isEqualTo(302);
        assertThat(owner.get("/setup/people").body()).contains("A tomas no longer works here.");
        assertThat(owner.get("/leads?whose=mine").body()).contains("Ines Marsh");
    }

    @Test
    void what_is_nobodys_successor_becomes_nobodys() {
        UUID staff = join("tomas", Role.STAFF);
        http().issue(tenant.apiKey(), "https://dabchick.example/", "Spring", "Flyer");
        in(tenant, () -> jdbc.sql("update link set owner_id = ?").param(staff).update());
        owner.form("/setup/people", "/setup/people/" + staff + "/leave", "successor", staff.toString());
        assertThat(count(tenant, "select count(*) from link where owner_id is null"))
                .isOne();
        assertThat(owner.form("/setup/people", "/setup/people/" + staff + "/leave")
                        .statusCode())
                .isEqualTo(404);
        Tenant other = tenant("Somebody Else");
        assertThat(owner.form(
                                "/setup/people",
                                "/setup/people/" + accounts.find(other.email()).orElseThrow() + "/role",
                                "role",
                                "viewer")
                        .statusCode())
                .as("somebody of another business")
                .isEqualTo(404);
    }
}

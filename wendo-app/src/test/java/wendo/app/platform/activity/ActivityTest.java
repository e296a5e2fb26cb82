package wendo.app.platform.activity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.persistence.EntityManager;
import jakarta.persistence.metamodel.Attribute;
import jakarta.persistence.metamodel.EntityType;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.site.Texts;

/** What people do is put on record, and stays there. */
class ActivityTest extends WendoTest {
    @Autowired
    private EntityManager entities;

    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private Http owner;

    @BeforeEach
    void open() {
        tenant = tenant("Garganey Gear");
        owner = http().signIn(tenant.email());
    }

    private List<String> rows(String query) {
        return Jsoup.parse(owner.get("/setup/activity?" + query).body())
                .select("main table tbody tr")
                .eachText();
    }

    @Test
    void what_is_told_of_an_entity_is_there_and_has_words() {
        List<String> wrong = new ArrayList<>();
        for (TrackedKind kind : TrackedKind.values()) {
            if (kind.label().isEmpty()) {
                wrong.add(kind + " has no word");
            }
            if (kind.entity().isEmpty()) {
                continue;
            }
            EntityType<?> entity = entities.getMetamodel().getEntities().stream()
                    .filter(one -> one.getName().equals(kind.entity()))
                    .findFirst()
                    .orElseThrow(() -> new AssertionError("There is no entity " + kind.entity()));
            List<String> properties =
                    entity.getAttributes().stream().map(Attribute::getName).toList();
            kind.told().stream()
                    .filter(one -> !properties.contains(one)
                            || Texts.of("platform.activity.property", one).isEmpty())
                    .forEach(one -> wrong.add(kind + "." + one));
            if (!kind.named().isEmpty() && !properties.contains(kind.named())) {
                wrong.add(kind + " is called by " + kind.named());
            }
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void a_change_says_who_made_it_and_from_what_to_what() {
        http().issue(tenant.apiKey(), "https://garganey.example/", "Spring", "Flyer");
        String source = in(
                tenant,
                () -> jdbc.sql("select id::text from source")
                        .query(String.class)
                        .single());
        String page = "/setup/sources/" + source;
        owner.form(page, page, "name", "Flyers <b>", "channel", "print", "medium", "print", "note", "1,000 of them");
        owner.form("/setup/targets", "/setup/targets", "booking", "45");
        owner.form("/setup/targets", "/setup/targets", "booking", "40");
        assertThat(rows("kind=source"))
                .hasSize(2)
                .anyMatch(row -> row.contains("API") && row.contains("Added") && row.contains("Flyer"))
                .anyMatch(row -> row.contains("Ola Ness")
                        && row.contains("Changed")
                        && row.contains("Name: Flyer → Flyers <b>")
                        && row.contains("Note: – → 1,000 of them"));
        assertThat(rows("kind=limit")).anyMatch(row -> row.contains("Limit per booking: £45.00 → £40.00"));
        assertThat(rows("kind=link")).singleElement().asString().contains("API", "Added Link");
        assertThat(rows("find=1%2C000+of")).hasSize(1);
        assertThat(rows("find=nothing-like-it")).isEmpty();
        assertThat(owner.get("/setup/activity/activity.csv?kind=source").body())
                .contains("Ola Ness")
                .contains("Flyers <b>");
        assertThat(rows("kind=file")).singleElement().asString().contains("Exported", "/setup/activity/activity.csv");
    }

    /** IBANs of the registry's examples. Somebody who changes where money goes is on record, the account only by its end. */
    @Test
    void a_changed_account_is_told_by_its_last_digits() {
        String partner = owner.form("/partners", "/partners", "name", "Campsite")
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceFirst("^.*(/partners/[0-9a-f-]{36}).*$", "$1");
        for (String iban : List.of("NL91 ABNA 0417 1643 00", "DE89 3704 0044 0532 0130 00")) {
            assertThat(owner.form(
                                    partner + "/details",
                                    partner + "/payout",
                                    "payout",
                                    "iban",
                                    "accountName",
                                    "Ines Ibarra",
                                    "iban",
                                    iban)
                            .statusCode())
                    .isEqualTo(302);
        }
        assertThat(rows("kind=partner")).anyMatch(row -> row.contains("IBAN: …4300 → …3000"));
        assertThat(owner.get("/setup/activity?kind=partner").body()).doesNotContain("NL91", "DE89", "0532");
    }

    @Test
    void signing_in_is_told_to_the_businesses_of_whoever_did() {
        assertThat(rows("kind=account")).singleElement().asString().contains("Ola Ness", "Signed in Password");
        Tenant other = tenant("Somebody Else");
        http().signIn(other.email());
        assertThat(rows("kind=account")).hasSize(1);
    }

    @Test
    void what_is_refused_or_rolled_back_leaves_no_record_and_jobs_do_nobodys_deeds() {
        int before = rows("").size();
        owner.form("/setup/targets", "/setup/targets", "booking", "lots");
        assertThat(rows("")).hasSize(before);
        assertThatThrownBy(() -> in(tenant, () -> {
                    accounts.join(accounts.register("x@" + UUID.randomUUID() + ".example", "X", PASSWORD), Role.STAFF);
                    throw new IllegalStateException("no");
                }))
                .hasMessage("no");
        in(tenant, () -> {
            accounts.join(accounts.register("y@" + UUID.randomUUID() + ".example", "Y", PASSWORD), Role.STAFF);
            return true;
        });
        assertThat(rows("")).hasSize(before);
    }

    @Test
    void nobody_can_change_it_and_managers_do_not_see_it() {
        for (String sql : List.of("update activity set person = 'Eve'", "delete from activity")) {
            assertThatThrownBy(() -> in(tenant, () -> jdbc.sql(sql).update()))
                    .as(sql)
                    .rootCause()
                    .hasMessageContaining("permission denied");
        }
        String email = "mia@" + UUID.randomUUID() + ".example";
        in(tenant, () -> {
            accounts.join(accounts.register(email, "Mia", PASSWORD), Role.MANAGER);
            return true;
        });
        Http manager = http().signIn(email);
        assertThat(manager.get("/setup/activity").statusCode()).isEqualTo(403);
        assertThat(manager.get("/setup").body()).doesNotContain("/setup/activity", "/setup/people");
    }
}

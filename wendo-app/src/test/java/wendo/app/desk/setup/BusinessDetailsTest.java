package wendo.app.desk.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
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

/** What a business is called and how it counts; and one more of its owner's. */
class BusinessDetailsTest extends WendoTest {
    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private Http owner;

    @BeforeEach
    void open() {
        tenant = tenant("Goosander Guides");
        owner = http().signIn(tenant.email());
    }

    private HttpResponse<String> change(Http person, String... fields) {
        return person.form("/setup/business", "/setup/business", fields);
    }

    private Document page() {
        return Jsoup.parse(owner.get("/setup/business").body());
    }

    @Test
    void until_something_is_counted_all_of_it_can_change() {
        assertThat(change(owner, "name", " ", "currency", "quid", "zone", "Mars", "locale", "x")
                        .body())
                .contains("Enter a name.", "Choose a currency.", "Choose a time zone.", "Choose a language.");
        assertThat(change(
                                owner,
                                "name",
                                "Goosander & Co",
                                "currency",
                                "EUR",
                                "zone",
                                "Europe/Berlin",
                                "locale",
                                "de-DE")
                        .statusCode())
                .isEqualTo(302);
        assertThat(owner.get("/spend").body()).contains("0,00\u00a0€");
        assertThat(page().select("#name").val()).isEqualTo("Goosander & Co");
        assertThat(page().select("#zone option[selected]").val()).isEqualTo("Europe/Berlin");
    }

    @Test
    void what_figures_are_counted_by_stays_once_there_are_some() {
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"booking\", \"reference\": \"B-1\", \"value\": 95}");
        assertThat(page().select("#currency[disabled]")).hasSize(1);
        change(owner, "name", "Renamed", "currency", "EUR", "locale", "en-GB");
        assertThat(page().select("#name").val()).isEqualTo("Renamed");
        assertThat(page().select("#currency option[selected]").val()).isEqualTo("GBP");
        assertThat(page().select("#zone option[selected]").val()).isEqualTo("Europe/London");
    }

    @Test
    void weeks_and_the_financial_year_begin_as_the_business_says() {
        String usual = Jsoup.parse(owner.get("/spend").body())
                .select("[data-week-start]")
                .attr("data-week-start");
        assertThat(usual).as("Monday in Britain").isEqualTo("1");
        assertThat(change(owner, "name", "G", "locale", "en-GB", "weekday", "8", "firstMonth", "13")
                        .body())
                .contains("Choose a day.", "Choose a month.");
        change(owner, "name", "G", "locale", "en-GB", "weekday", "7", "firstMonth", "4");
        assertThat(Jsoup.parse(owner.get("/spend").body())
                        .select("[data-week-start]")
                        .attr("data-week-start"))
                .isEqualTo("0");
        assertThat(page().select("#weekday option[selected], #firstMonth option[selected]")
                        .eachAttr("value"))
                .containsExactly("7", "4");
        assertThat(Jsoup.parse(owner.get("/spend?period=year").body())
                        .select(".ribbon-words input[name=from]")
                        .val())
                .startsWith("01/04/");
    }

    @Test
    void of_two_who_change_it_the_second_is_asked() {
        String version = page().select("input[name=version]").val();
        change(owner, "version", version, "name", "First", "locale", "en-GB");
        HttpResponse<String> second = change(owner, "version", version, "name", "Second", "locale", "en-GB");
        assertThat(second.statusCode()).isEqualTo(409);
        assertThat(second.body()).contains("value=\"Second\"", "First");
    }

    @Test
    void managers_see_it_and_owners_change_it() {
        String email = "mia@" + UUID.randomUUID() + ".example";
        in(tenant, () -> {
            accounts.join(accounts.register(email, "Mia", PASSWORD), Role.MANAGER);
            return true;
        });
        Http manager = http().signIn(email);
        assertThat(Jsoup.parse(manager.get("/setup/business").body()).select("#name[disabled]"))
                .hasSize(1);
        assertThat(change(manager, "name", "Mine", "locale", "en-GB").statusCode())
                .isEqualTo(403);
        assertThat(manager.get("/businesses/new").statusCode()).isEqualTo(403);
    }

    private HttpResponse<String> addShop(String domain) {
        return owner.form(
                "/businesses/new",
                "/businesses/new",
                "name",
                "Second Shop",
                "currency",
                "EUR",
                "zone",
                "Europe/Berlin",
                "locale",
                "de-DE",
                "domain",
                domain);
    }

    @Test
    void an_owner_adds_a_business_that_is_apart_from_the_first() {
        http().issue(tenant.apiKey(), "https://goosander.example/", "Spring", "Flyer");
        String own = UUID.randomUUID().toString().substring(0, 8);
        HttpResponse<String> taken = addShop(tenant.host());
        assertThat(taken.statusCode()).isEqualTo(422);
        assertThat(taken.body()).contains("value=\"Second Shop\"", "link domain");
        assertThat(owner.form("/businesses/new", "/businesses/new", "name", "Second Shop", "domain", "a/b")
                        .body())
                .contains("Enter a name alone", "Choose a currency.");
        assertThat(addShop(own + ".go.localhost").headers().firstValue("Location"))
                .hasValue("/welcome/places");
        assertThat(owner.get("/today").body()).contains("Second Shop", "Go to Goosander Guides");
        assertThat(owner.get("/links").body()).doesNotContain("Flyer");
        assertThat(owner.get("/account").body()).contains("Second Shop", "Goosander Guides");
    }
}

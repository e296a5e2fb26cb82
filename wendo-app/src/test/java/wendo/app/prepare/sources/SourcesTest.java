package wendo.app.prepare.sources;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.visit.visits.LoggedVisit;
import wendo.app.visit.visits.VisitStore;
import wendo.core.visits.ClickId;

class SourcesTest extends WendoTest {
    @Autowired
    private VisitStore visits;

    private Tenant tenant;
    private Http person;

    @BeforeEach
    void open() {
        tenant = tenant("Sandpiper Saunas");
        person = http().signIn(tenant.email());
    }

    private UUID source(String name) {
        return in(
                tenant,
                () -> jdbc.sql("select id from source where name = ?")
                        .param(name)
                        .query(UUID.class)
                        .single());
    }

    private long credited(UUID source) {
        return count(tenant, "select count(*) from credit where source_id = '%s'".formatted(source));
    }

    @Test
    void a_source_is_added_once_whatever_its_spelling_and_described() {
        person.form(
                "/setup/sources",
                "/setup/sources",
                "name",
                "Rill Camp Site",
                "channel",
                "partner",
                "medium",
                "Camp Site",
                "contact",
                "Ada, 01632 960001",
                "note",
                "Counter by the showers");
        assertThat(person.get("/setup/sources").body())
                .contains(
                        "Rill Camp Site", "<code>rill-camp-site</code>", "<code>camp-site</code>", "Ada, 01632 960001");
        HttpResponse<String> again = person.form(
                "/setup/sources", "/setup/sources", "name", "rill_camp site", "channel", "partner", "note", "Kept");
        assertThat(again.statusCode()).isEqualTo(422);
        assertThat(again.body()).contains("Rill Camp Site&quot;, which is there already", "value=\"Kept\"");
        assertThat(person.form("/setup/sources", "/setup/sources", "name", "!", "channel", "pigeon")
                        .body())
                .contains("with a letter or a digit", "Choose a channel.");
        assertThat(count(tenant, "select count(*) from source")).isOne();
    }

    @Test
    void an_archived_source_is_not_offered_until_it_is_used_again() {
        http().issue(tenant.apiKey(), "https://saunas.example/", "Spring", "Radio");
        UUID radio = source("Radio");
        person.form("/setup/sources/" + radio, "/setup/sources/" + radio + "/archive", "away", "true");
        assertThat(person.get("/issue").body()).doesNotContain("Radio");
        assertThat(person.get("/setup/sources").body()).contains("archived");
        http().issue(tenant.apiKey(), "https://saunas.example/", "Spring", "Radio");
        assertThat(person.get("/issue").body()).contains("Radio");
    }

    @Test
    void a_merged_source_gives_all_that_was_its_own_to_the_one_it_really_is() {
        List<String> slugs = http().issue(tenant.apiKey(), "https://saunas.example/", "Spring", "Camp", "Kamp");
        await("the host knows", () -> http().visit(tenant.host(), slugs.get(1)).statusCode() == 302);
        String click = Http.click(http().visit(tenant.host(), slugs.get(1)));
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"booking\", \"reference\": \"B-1\", \"value\": \"10\", \"clickId\": \"%s\"}"
                                .formatted(click));
        UUID kept = source("Camp");
        UUID merged = source("Kamp");
        await("it is credited", () -> credited(merged) == 1);

        HttpResponse<String> asked = person.form(
                "/setup/sources/" + merged,
                "/setup/sources/" + merged + "/merge",
                "into",
                kept.toString(),
                "reason",
                "A slip of the pen");
        assertThat(asked.body()).contains("cannot be undone");
        assertThat(credited(merged)).as("nothing moves unasked").isOne();
        person.form(
                "/setup/sources/" + merged,
                "/setup/sources/" + merged + "/merge",
                "into",
                kept.toString(),
                "reason",
                "A slip of the pen",
                "confirmed",
                "true");

        assertThat(credited(kept)).isOne();
        assertThat(count(tenant, "select count(*) from link where source_id = '%s'".formatted(kept)))
                .isEqualTo(2);
        assertThat(count(tenant, "select count(*) from visit where source_id = '%s'".formatted(merged)))
                .isZero();
        assertThat(person.get("/setup/sources/" + kept).body())
                .contains("Kamp", "with 1 link and", "A slip of the pen");
        assertThat(person.get("/setup/sources/" + merged).body()).contains("is now");
        http().issue(tenant.apiKey(), "https://saunas.example/", "Spring", "KAMP");
        assertThat(count(tenant, "select count(*) from link where source_id = '%s'".formatted(kept)))
                .as("the old spelling means the kept one")
                .isEqualTo(3);
        assertThat(http().visit(tenant.host(), slugs.get(1))
                        .headers()
                        .firstValue("Location")
                        .orElseThrow())
                .as("a printed link stays as it is")
                .contains("utm_source=kamp");
        await(
                "visits that were under way belong to the kept one, too",
                () -> count(tenant, "select count(*) from visit where source_id = '%s'".formatted(kept)) >= 2);
    }

    @Test
    void a_changed_window_goes_over_what_was_credited() {
        String slug = http().issue(tenant.apiKey(), "https://saunas.example/", "Spring", "Flyer")
                .get(0);
        UUID flyer = source("Flyer");
        UUID link = in(
                tenant,
                () -> jdbc.sql("select id from link where slug = ?")
                        .param(slug)
                        .query(UUID.class)
                        .single());
        ClickId click = ClickId.of(
                java.time.Instant.now().minus(java.time.Duration.ofDays(40)), new java.util.SplittableRandom(7));
        visits.store(List.of(new LoggedVisit(
                click,
                tenant.id(),
                link,
                flyer,
                UUID.randomUUID(),
                UUID.randomUUID(),
                "",
                "GB",
                "phone",
                "",
                Http.BROWSER,
                "",
                "",
                "en",
                "")));
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"lead\", \"reference\": \"L-1\", \"clickId\": \"%s\"}".formatted(click));
        await("print is remembered for 90 days", () -> credited(flyer) == 1);
        change("30");
        await("40 days are too long now", () -> credited(flyer) == 0);
        change("41");
        await("and no longer", () -> credited(flyer) == 1);
        assertThat(change("0").body()).contains("A window is a whole number of days, 1 to 730.");
        assertThat(change("<b>").body()).contains("value=\"&lt;b&gt;\"");
    }

    private HttpResponse<String> change(String printDays) {
        return person.form(
                "/setup/sources",
                "/setup/sources/windows",
                "print",
                printDays,
                "text",
                "30",
                "newsletter",
                "30",
                "ad",
                "30",
                "social",
                "30",
                "partner",
                "30",
                "place",
                "90",
                "other",
                "30");
    }
}

package wendo.app.prepare.destinations;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.standins.DemoSite;

class DestinationsTest extends WendoTest {
    @Autowired
    private DestinationChecks checks;

    private Tenant tenant;
    private Http person;
    private DemoSite site;

    @BeforeEach
    void open() throws Exception {
        tenant = tenant("Whimbrel Walks");
        person = http().signIn(tenant.email());
        site = DemoSite.start(0, "http://" + tenant.host() + ":" + port, tenant.siteKey());
    }

    @AfterEach
    void close() {
        site.close();
    }

    private String page(String path) {
        return "http://localhost:" + site.port() + path;
    }

    private UUID id() {
        return in(
                tenant,
                () -> jdbc.sql("select id from destination order by created_at limit 1")
                        .query(UUID.class)
                        .single());
    }

    @Test
    void a_destination_is_looked_at_when_it_is_added() {
        HttpResponse<String> added =
                person.form("/setup/destinations", "/setup/destinations", "address", page("/courses"));
        assertThat(added.statusCode()).isEqualTo(302);
        String shown = person.get("/setup/destinations/" + id()).body();
        assertThat(shown).contains("answers", "Marram Point Sailing", "200").doesNotContain("Failing since");
        assertThat(person.form("/setup/destinations", "/setup/destinations", "address", "ftp://x.example")
                        .body())
                .contains("Only http and https");
    }

    private String change(String what, String... fields) {
        List<String> all = new ArrayList<>(List.of("what", what));
        all.addAll(List.of(fields));
        person.form("/setup/destinations", "/setup/destinations/selected?find=cour", all.toArray(String[]::new));
        return person.get("/setup/destinations?find=cour").body();
    }

    @Test
    void many_destinations_are_checked_or_archived_at_once() {
        http().issue(tenant.apiKey(), page("/courses"), "Spring", "Postcards");
        String id = id().toString();
        assertThat(change("check", "destination", id)).contains("1 destination checked.");
        assertThat(count(tenant, "select count(*) from destination where checked_at is not null"))
                .isOne();
        assertThat(change("archive", "destination", id))
                .contains("1 destination archived. Their links keep working.", "Undo", "No destination matches.");
        assertThat(change("restore", "destination", id)).contains("1 destination restored.", "courses");
        assertThat(change("archive")).contains("Select the destinations first.");
        assertThat(http().signIn(tenant("Somebody Else").email())
                        .form("/setup", "/setup/destinations/selected", "what", "archive", "destination", id)
                        .statusCode())
                .isEqualTo(404);
    }

    @Test
    void the_schedule_finds_what_is_due_and_since_when_it_fails() {
        http().issue(tenant.apiKey(), page("/nothing-here"), "Spring", "Postcards");
        checks.checkDue();
        assertThat(count(tenant, "select count(*) from destination where checked_at is null"))
                .as("whoever adds one looks at it; the schedule leaves it a moment")
                .isOne();
        in(
                tenant,
                () -> jdbc.sql("update destination set created_at = created_at - interval '21 seconds'")
                        .update());
        checks.checkDue();
        assertThat(person.get("/setup/destinations").body()).contains("It answers with error 404.");
        assertThat(person.get("/setup/destinations/" + id()).body()).contains("Failing since");
        in(tenant, () -> jdbc.sql("""
                        update destination set checked_at = checked_at - interval '61 minutes',
                            failing_since = failing_since - interval '61 minutes', address = ?
                        """).param(page("/courses")).update());
        checks.checkDue();
        assertThat(count(tenant, "select count(*) from destination where failing_since is null and problem = ''"))
                .as("looked at again after an hour, and well")
                .isOne();
        in(
                tenant,
                () -> jdbc.sql("update destination set address = ?")
                        .param(page("/nothing-here"))
                        .update());
        checks.checkDue();
        assertThat(count(tenant, "select count(*) from destination where failing_since is null"))
                .as("not due before tomorrow")
                .isOne();
    }

    @Test
    void a_look_while_somebody_describes_the_page_takes_nothing_from_them() {
        http().issue(tenant.apiKey(), page("/nothing-here"), "Spring", "Postcards");
        String edited = "/setup/destinations/" + id();
        String opened = version();
        in(
                tenant,
                () -> jdbc.sql("update destination set created_at = created_at - interval '21 seconds'")
                        .update());
        checks.checkDue();
        assertThat(count(tenant, "select count(*) from destination where failing_since is not null"))
                .isOne();
        assertThat(version()).isEqualTo(opened);
        assertThat(person.form(edited, edited, "name", "Courses", "note", "", "version", opened)
                        .statusCode())
                .isEqualTo(302);
    }

    /** As forms show it. */
    private String version() {
        return in(
                tenant,
                () -> jdbc.sql("select version + 1 from destination")
                        .query(String.class)
                        .single());
    }

    @Test
    void links_follow_a_page_that_moved_and_keep_their_tags_and_history() {
        String slug = http().issue(tenant.apiKey(), page("/courses"), "Spring", "Postcards")
                .get(0);
        UUID id = id();
        person.form(
                "/setup/destinations/" + id,
                "/setup/destinations/" + id + "/move",
                "address",
                page("/vouchers"),
                "reason",
                "New site");
        await(
                "the link host hears of it",
                () -> http().visit(tenant.host(), slug)
                        .headers()
                        .firstValue("Location")
                        .orElse("")
                        .startsWith(
                                page("/vouchers") + "?utm_source=postcards&utm_medium=print&utm_campaign=spring&wcl="));
        assertThat(in(
                        tenant,
                        () -> jdbc.sql("select address || ' ' || reason from link_destination order by changed_at")
                                .query(String.class)
                                .list()))
                .containsExactly(page("/courses") + " ", page("/vouchers") + " New site");
        assertThat(person.form(
                                "/setup/destinations/" + id,
                                "/setup/destinations/" + id + "/move",
                                "address",
                                "http://" + tenant.host() + "/x")
                        .body())
                .contains("would lead in a circle");
        assertThat(count(tenant, "select count(*) from link_destination")).isEqualTo(2);
    }
}

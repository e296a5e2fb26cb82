package wendo.app.issue.alerts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;

class LinkAlertsTest extends WendoTest {
    @Autowired
    private LinkAlerts alerts;

    private Tenant tenant;
    private Http person;
    private String slug;
    private String link;

    @BeforeEach
    void issue() {
        tenant = tenant("Siskin Signs");
        person = http().signIn(tenant.email());
        slug = http().issue(tenant.apiKey(), "https://siskin.example/", "Spring", "Harbour sign")
                .get(0);
        await("the link is known", () -> http().visit(tenant.host(), slug).statusCode() == 302);
        stored(1);
        link = "/links/"
                + in(
                        tenant,
                        () -> jdbc.sql("select id::text from link")
                                .query(String.class)
                                .single());
    }

    private void stored(long visits) {
        await("visits are stored", () -> count(tenant, "select coalesce(sum(visits), 0) from visit_sum") == visits);
    }

    private void visit(int times) {
        long before = count(tenant, "select sum(visits) from visit_sum");
        for (int i = 0; i < times; i++) {
            http().visit(tenant.host(), slug);
        }
        stored(before + times);
    }

    private List<String> mails() {
        return in(
                tenant,
                () -> jdbc.sql("select recipient || ' ' || subject from outgoing order by kept_at")
                        .query(String.class)
                        .list());
    }

    /** As if the minute were over. */
    private void aMinuteLater() {
        in(
                tenant,
                () -> jdbc.sql("update link_alert set told_at = told_at - interval '1 minute'")
                        .update());
        alerts.tell();
    }

    @Test
    void each_visit_is_told_at_most_once_a_minute_with_the_running_count() {
        person.form(link, link + "/alert", "mode", "each");
        assertThat(person.get(link).body()).contains("value=\"each\" selected");
        alerts.tell();
        assertThat(mails()).as("what came before is no news").isEmpty();
        visit(2);
        alerts.tell();
        visit(1);
        alerts.tell();
        assertThat(mails()).containsExactly(tenant.email() + " 2 visits: Harbour sign · Spring");
        aMinuteLater();
        aMinuteLater();
        assertThat(mails()).hasSize(2).last().asString().contains("3 visits");
        assertThat(person.get("/today").body()).contains("<strong>3 visits</strong>");
        person.form(link, link + "/alert", "mode", "");
        visit(1);
        aMinuteLater();
        assertThat(mails()).hasSize(2);
    }

    @Test
    void steps_are_told_at_one_and_ten_and_not_between() {
        person.form(link, link + "/alert", "mode", "steps");
        visit(1);
        alerts.tell();
        visit(3);
        aMinuteLater();
        assertThat(mails()).hasSize(1);
        visit(7);
        aMinuteLater();
        assertThat(mails()).hasSize(2).last().asString().contains("11 visits");
    }

    @ParameterizedTest
    @CsvSource({
        "EACH, 0, 0, false",
        "EACH, 0, 1, true",
        "EACH, 5, 5, false",
        "EACH, 5, 6, true",
        "STEPS, 0, 0, false",
        "STEPS, 0, 1, true",
        "STEPS, 1, 9, false",
        "STEPS, 1, 10, true",
        "STEPS, 9, 10, true",
        "STEPS, 10, 99, false",
        "STEPS, 10, 100, true",
        "STEPS, 11, 1000, true",
        "STEPS, 1000, 9999, false"
    })
    void news_is_what_passes_the_next_step(AlertMode mode, long told, long visits, boolean isDue) {
        assertThat(mode.isDue(told, visits)).isEqualTo(isDue);
    }
}

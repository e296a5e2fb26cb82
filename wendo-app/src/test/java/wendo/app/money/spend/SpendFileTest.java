package wendo.app.money.spend;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationEventPublisher;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.prepare.sources.SourcesMerged;

/** Files as ad accounts write them: days first or months first, a decimal point or a comma. */
class SpendFileTest extends WendoTest {
    private static final String FILE = """
            Day,Campaign,Impressions,Cost
            13/05/2026,Search  Brand,900,"1.012,40"
            13/05/2026,Search brand,100,"7,60"
            14/05/2026,Search brand,20,"3,00"
            14/05/2026,Somewhere else,20,"99,00"
            soon,Search brand,1,"1,00"
            15/05/2026,Search brand,1,free
            """;

    private Tenant tenant;
    private Http person;

    @BeforeEach
    void a_source() {
        tenant = tenant("Heron Hire");
        http().issue(tenant.apiKey(), "https://heron.example/", "Spring", "Search ads");
        person = http().signIn(tenant.email());
    }

    private String bring(String pasted) {
        return person.form("/spend", "/spend/files", "pasted", pasted)
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceFirst("^https?://[^/]+", "");
    }

    private String source() {
        return in(
                        tenant,
                        () -> jdbc.sql("select id from source")
                                .query(UUID.class)
                                .single())
                .toString();
    }

    private HttpResponse<String> enter(String file) {
        return person.form(
                file,
                file,
                "day",
                "0",
                "amount",
                "3",
                "name",
                "1",
                "key",
                "search brand",
                "source",
                source(),
                "enter",
                "yes");
    }

    @Test
    void columns_are_guessed_and_each_row_says_what_becomes_of_it() {
        String page = person.get(bring(FILE)).body();
        assertThat(page)
                .contains(
                        "value=\"day_first\" selected",
                        "value=\"comma\" selected",
                        "£1,012.40",
                        "Somewhere else",
                        "6 rows are left out",
                        "Line 6: “soon” is not a day",
                        "Line 7: “free” is not an amount",
                        "no source chosen for it yet");
    }

    @Test
    void it_is_entered_by_source_and_day_and_the_same_again_changes_nothing() {
        String file = bring(FILE);
        enter(file);
        assertThat(person.get(file).body()).contains("Entered: 2 new, 0 changed, 0 known already.");
        assertThat(count(tenant, "select sum(amount_minor) from spend where first_day = '2026-05-13'"))
                .isEqualTo(102_000);
        assertThat(count(tenant, "select count(*) from spend")).isEqualTo(2);
        String again = bring(FILE);
        assertThat(person.get(again).body())
                .as("the name and the columns are remembered")
                .contains("Enter rows with a source", "3 rows are left out", "Search ads");
        enter(again);
        assertThat(person.get(again).body()).contains("Entered: 0 new, 0 changed, 2 known already.");
        String later = bring(FILE.replace("\"3,00\"", "\"4,50\""));
        enter(later);
        assertThat(person.get(later).body()).contains("Entered: 0 new, 1 changed, 1 known already.");
        assertThat(count(tenant, "select sum(amount_minor) from spend")).isEqualTo(102_450);
        String entry = in(
                tenant,
                () -> jdbc.sql("select id from spend where first_day = '2026-05-14'")
                        .query(String.class)
                        .single());
        assertThat(person.get("/spend/" + entry).body()).contains("3.00 on 2026-05-14, Pasted table");
    }

    @Test
    void what_is_no_table_is_refused_and_a_strangers_file_is_not_there() {
        assertThat(bring("")).isEqualTo("/spend");
        assertThat(person.get("/spend").statusCode()).isEqualTo(200);
        String file = bring(FILE);
        Http stranger = http().signIn(tenant("Somebody Else").email());
        assertThat(stranger.get(file).statusCode()).isEqualTo(404);
        assertThat(stranger.form("/spend", file, "enter", "yes").statusCode()).isEqualTo(404);
        assertThat(person.form(file, file, "day", "77", "amount", "x", "name", "-1")
                        .statusCode())
                .isEqualTo(302);
        assertThat(person.get(file).body()).contains("Its 6 rows");
    }

    @Test
    void two_sources_of_one_file_that_are_merged_have_one_entry_for_a_day_with_both_amounts() {
        String kept = source();
        http().issue(tenant.apiKey(), "https://heron.example/", "Spring", "Search ad");
        String merged = in(
                tenant,
                () -> jdbc.sql("select id from source where name = 'Search ad'")
                        .query(String.class)
                        .single());
        String file = bring(FILE);
        person.form(
                file,
                file,
                "day",
                "0",
                "amount",
                "3",
                "name",
                "1",
                "key",
                "search brand",
                "source",
                kept,
                "key",
                "somewhere else",
                "source",
                merged,
                "enter",
                "yes");
        assertThat(count(tenant, "select count(*) from spend")).isEqualTo(3);
        in(tenant, () -> {
            events.publishEvent(new SourcesMerged(UUID.fromString(kept), UUID.fromString(merged)));
            return true;
        });
        assertThat(count(
                        tenant, "select amount_minor from spend where first_day = '2026-05-14' and removed_at is null"))
                .isEqualTo(10_200);
        assertThat(count(tenant, "select count(distinct source_id) from spend")).isOne();
        String again = bring(FILE);
        person.form(again, again, "day", "0", "amount", "3", "name", "1", "enter", "yes");
        assertThat(person.get(again).body()).contains("Entered: 0 new, 0 changed, 2 known already.");
    }

    @Autowired
    private ApplicationEventPublisher events;
}

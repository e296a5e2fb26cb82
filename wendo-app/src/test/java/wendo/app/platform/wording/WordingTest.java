package wendo.app.platform.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.UUID;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.EntryForms;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.site.PublicText;

class WordingTest extends WendoTest {
    private static final String PAGE = "/setup/wording";

    private Tenant tenant;
    private Http owner;
    private String form;

    @BeforeEach
    void a_form_that_asks_for_a_day() {
        tenant = tenant("Godwit Gigs");
        owner = http().signIn(tenant.email());
        EntryForms.make(owner, "accent", "sea", "ask.email", "needed", "ask.day", "asked");
        form = in(
                tenant,
                () -> jdbc.sql("select id::text from entry_form")
                        .query(String.class)
                        .single());
    }

    private String open(String language) {
        Http visitor = http();
        return visitor.send(visitor.request("/t/forms/" + form)
                        .header("Host", tenant.host())
                        .header("Accept-Language", language))
                .body();
    }

    @Test
    void what_a_business_says_stands_in_place_of_our_words_in_every_language() {
        assertThat(open("en")).contains("Which day");
        assertThat(open("fr")).doesNotContain("Which day", "When shall we sail?");
        assertThat(owner.form(PAGE, PAGE, "version", "0", "form_day", "When shall we sail?")
                        .statusCode())
                .isEqualTo(302);
        assertThat(open("en")).contains("When shall we sail?").doesNotContain("Which day");
        assertThat(open("fr")).contains("When shall we sail?");
        assertThat(owner.get(PAGE).body()).contains("value=\"When shall we sail?\"", "Which day");
        owner.form(PAGE, PAGE, "version", "1", "form_day", " ");
        assertThat(open("en")).contains("Which day");
    }

    private String deadEnd(String language) {
        Http visitor = http();
        return visitor.send(visitor.request("/nowhere")
                        .header("Host", tenant.host())
                        .header("Accept-Language", language))
                .body();
    }

    /** From memory, as all that a link host answers. */
    @Test
    void an_address_that_leads_nowhere_says_so_in_the_businesss_own_words() {
        assertThat(deadEnd("en")).contains("This address leads nowhere");
        owner.form(PAGE, PAGE, "version", "0", "dead_end", "Lost at <sea>?", "dead_end_still", "Ring us {business}.");
        await("the link host knows", () -> deadEnd("fr").contains("<h1>Lost at &lt;sea&gt;?</h1>"));
        assertThat(deadEnd("en")).contains("Ring us {business}.", "compare it letter by letter");
        owner.form(PAGE, PAGE, "version", "1", "dead_end", "");
        await("the link host knows", () -> deadEnd("en").contains("This address leads nowhere"));
    }

    @Test
    void markup_and_places_for_values_are_taken_letter_for_letter() {
        owner.form(PAGE, PAGE, "version", "0", "form_day", "<b>When</b> {0} '{'?");
        assertThat(open("en")).contains("&lt;b&gt;When&lt;/b&gt; {0} &#39;{&#39;?");
    }

    @Test
    void what_is_too_long_comes_back_and_changes_nothing() {
        HttpResponse<String> answer = owner.form(PAGE, PAGE, "version", "0", "form_sent", "w".repeat(5_000));
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(Jsoup.parse(answer.body()).select("#form_sent").attr("value"))
                .hasSize(5_000);
        assertThat(count(tenant, "select count(*) from own_wording")).isZero();
    }

    @Test
    void of_two_who_write_at_once_the_later_one_sees_what_the_other_wrote() {
        owner.form(PAGE, PAGE, "version", "0", "stop_yes", "Stop");
        owner.form(PAGE, PAGE, "version", "1", "stop_yes", "Leave me alone");
        HttpResponse<String> answer = owner.form(PAGE, PAGE, "version", "1", "stop_yes", "Enough");
        assertThat(answer.statusCode()).isEqualTo(409);
        assertThat(answer.body()).contains("Somebody else changed this to &quot;Leave me alone&quot; meanwhile.");
    }

    @Test
    void another_business_speaks_for_itself() {
        owner.form(PAGE, PAGE, "version", "0", "form_day", "When shall we sail?");
        assertThat(http().signIn(tenant("Sanderling Sails").email()).get(PAGE).body())
                .doesNotContain("When shall we sail?");
    }

    @Test
    void each_text_that_can_be_worded_is_there_and_has_no_place_for_a_value() {
        for (PublicText text : PublicText.values()) {
            assertThat(text.usual()).as(text.name()).isNotBlank().doesNotContain("{");
            assertThat(PublicText.find(text.key())).contains(text);
        }
        assertThat(PublicText.find(UUID.randomUUID().toString())).isEmpty();
    }
}

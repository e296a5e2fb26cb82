package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.Http;
import wendo.app.WendoTest;

/** Who reads a page reads their own language; what is kept for the business stands in the business's. */
class PublicPagesTest extends WendoTest {
    private static final String DAY =
            LocalDate.now(java.time.ZoneOffset.UTC).plusDays(30).toString();

    private String form(Tenant tenant) {
        return http().signIn(tenant.email())
                .form(
                        "/setup/forms/new",
                        "/setup/forms/new",
                        "name",
                        "Days",
                        "purpose",
                        "enquiry",
                        "title",
                        "Ask",
                        "button",
                        "Send",
                        "thanks",
                        "Thanks.",
                        "accent",
                        "sea",
                        "ask.name",
                        "needed",
                        "ask.email",
                        "needed",
                        "ask.day",
                        "asked",
                        "ask.people",
                        "asked")
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceFirst(".*/", "/t/forms/");
    }

    private HttpRequest.Builder asking(Tenant tenant, String path, String language) {
        HttpRequest.Builder request = http().request(path).header("Host", tenant.host());
        return language.isEmpty() ? request : request.header("Accept-Language", language);
    }

    private void send(Tenant tenant, String path, String language) {
        Matcher once = Pattern.compile("name=\"once\" value=\"([0-9a-f]{12})\"")
                .matcher(http().send(asking(tenant, path, language)).body());
        assertThat(once.find()).isTrue();
        String fields = "name=Ada&email=%s&day=%s&people=3&once=%s"
                .formatted(URLEncoder.encode("ada@reed.example", StandardCharsets.UTF_8), DAY, once.group(1));
        HttpResponse<String> answer = http().send(asking(tenant, path, language)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(fields)));
        assertThat(answer.statusCode()).as(answer.body()).isLessThan(400);
    }

    @ParameterizedTest
    @CsvSource({
        "fr-CH, fr, Votre nom",
        "'ja, it;q=0.3', it, Il tuo nome",
        "en, en, Your name",
        "ja, de, Ihr Name",
        "'', de, Ihr Name"
    })
    void a_form_speaks_the_visitors_language_else_the_businesss(String asked, String language, String said) {
        Tenant tenant = tenant("Strandläufer", Locale.GERMANY);
        String page = http().send(asking(tenant, form(tenant), asked)).body();
        assertThat(page).contains("<html lang=\"" + language + "\"", said);
    }

    @ParameterizedTest
    @CsvSource({"'ja, pl;q=0.3', pl", "ja, de", "'', de"})
    void an_address_that_leads_nowhere_says_so_in_the_visitors_language_else_the_businesss(
            String asked, String language) {
        Tenant tenant = tenant("Strandläufer", Locale.GERMANY);
        String page = http().send(asking(tenant, "/nirgends", asked)).body();
        assertThat(page)
                .contains(
                        "<html lang=\"" + language + "\"",
                        Texts.in(Locale.forLanguageTag(language), "linkhost.redirect.nowhere"));
    }

    /** Who reads a page aloud is told its language (WCAG 2.2, 3.1.1). */
    @ParameterizedTest
    @CsvSource({
        "/t/opt-in/00000000-0000-0000-0000-000000000000",
        "/t/lists/00000000-0000-0000-0000-000000000000",
        "/t/join/00000000-0000-0000-0000-000000000000",
        "/t/preferences/00000000-0000-0000-0000-000000000000",
        "/t/forms/00000000-0000-0000-0000-000000000000",
        "/t/proofs/00000000-0000-0000-0000-000000000000"
    })
    void a_page_says_which_language_it_is_in(String path) {
        Tenant tenant = tenant("Knot Kayaks");
        assertThat(http().send(asking(tenant, path, "nl")).body()).contains("<html lang=\"nl\"");
    }

    /** A link host serves its own files alone: a page there has one head, which names nothing of the application's. */
    @ParameterizedTest
    @CsvSource({
        "/t/opt-in/00000000-0000-0000-0000-000000000000",
        "/t/lists/00000000-0000-0000-0000-000000000000",
        "/t/join/00000000-0000-0000-0000-000000000000",
        "/t/preferences/00000000-0000-0000-0000-000000000000",
        "/t/forms/00000000-0000-0000-0000-000000000000",
        "/t/proofs/00000000-0000-0000-0000-000000000000"
    })
    void a_page_on_a_link_host_names_nothing_of_the_applications_own(String path) {
        String page = http().send(asking(tenant("Knot Kayaks"), path, "")).body();
        assertThat(page).contains("/t/open.css").containsOnlyOnce("<head").doesNotContain("/assets/");
    }

    @Test
    void what_a_visitor_sends_is_kept_in_the_businesss_language() {
        Tenant british = tenant("Knot Kayaks");
        send(british, form(british), "fr");
        assertThat(items(british)).isEqualTo("for " + DAY + ", 3 people");
        Tenant german = tenant("Strandläufer", Locale.GERMANY);
        send(german, form(german), "en");
        assertThat(items(german)).isEqualTo("für " + DAY + ", 3 Personen");
    }

    private String items(Tenant tenant) {
        await("the lead is kept", () -> count(tenant, "select count(*) from outcome where kind = 'lead'") == 1);
        return in(
                tenant,
                () -> jdbc.sql("select items from outcome where kind = 'lead'")
                        .query(String.class)
                        .single());
    }

    @Test
    void a_history_is_written_in_the_businesss_language_whoever_writes_it() {
        Tenant tenant = tenant("Knot Kayaks");
        send(tenant, form(tenant), "en");
        await("it is taken up", () -> count(tenant, "select count(*) from lead where handed_at is not null") == 1);
        Http german = http().signIn(tenant.email());
        german.form("/today", "/language", "language", "de");
        String lead = "/leads/"
                + in(
                        tenant,
                        () -> jdbc.sql("select outcome_id::text from lead")
                                .query(String.class)
                                .single());
        german.form(lead, lead + "/stage", "stage", "lost", "reason", "Too far");
        assertThat(german.get(lead).body()).contains("verloren", "Stage: lost, Too far.");
        assertThat(count(tenant, "select count(*) from lead_event where said like 'Stage: lost%'"))
                .isOne();
    }

    /** Read again by another library than the one that wrote it. */
    @Test
    void the_paper_of_a_comparison_is_in_one_language() throws Exception {
        Http german = http().signIn(tenant("Knot Kayaks").email());
        german.form("/today", "/language", "language", "de");
        try (var paper = Loader.loadPDF(german.bytes(german.request("/compare/comparison.pdf?period=7d")))) {
            assertThat(new PDFTextStripper().getText(paper))
                    .contains("Urteil", "Besuche", "Umsatz")
                    .doesNotContain("Verdict", "Visits", "Revenue");
        }
    }

    @Test
    void a_program_is_told_in_english_whatever_it_asks_for() {
        Tenant tenant = tenant("Strandläufer", Locale.GERMANY);
        HttpResponse<String> answer =
                http().post(tenant.apiKey(), "/api/v1/outcomes", "{\"kind\": \"wish\"}", "Accept-Language", "de");
        assertThat(answer.body()).contains("Must be lead, booking or purchase").doesNotContain("Muss");
        HttpResponse<String> control =
                http().post(tenant.apiKey(), "/api/v1/outcomes", "{\"kind\": \"\\u0001\"}", "Accept-Language", "de");
        assertThat(control.statusCode()).isEqualTo(400);
        assertThat(control.body()).contains("control character");
    }
}

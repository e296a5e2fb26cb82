package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.assertj.core.api.SoftAssertions;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.app.Http;
import wendo.app.WendoTest;

class LanguagesTest extends WendoTest {
    /** Words that English needs in every other sentence and German never has. */
    private static final Pattern ENGLISH = Pattern.compile(
            "\\b(the|and|of|with|from|by|your|you|not|are|has|have|this|that|each|which|no|or|for|Save|Add|Remove|Edit)\\b");

    private Http german(Tenant tenant) {
        Http person = http().signIn(tenant.email());
        person.form("/today", "/language", "language", "de");
        return person;
    }

    private static final List<String> PAGES = List.of(
            "/today",
            "/issue",
            "/links",
            "/leads",
            "/outcomes",
            "/compare",
            "/spend",
            "/subscribers",
            "/subscribers/lists",
            "/subscribers/senders",
            "/outcomes/new",
            "/outcomes/files",
            "/issue/files",
            "/signposts",
            "/find?find=zzz",
            "/links/none",
            "/links/outgoing",
            "/setup",
            "/setup/business",
            "/setup/consent",
            "/setup/hosts",
            "/setup/destinations",
            "/setup/sources",
            "/setup/campaigns",
            "/setup/tag-plans",
            "/setup/site-tag",
            "/setup/forms",
            "/setup/handovers",
            "/setup/attribution",
            "/setup/targets",
            "/setup/codes",
            "/setup/visits",
            "/setup/outgoing",
            "/setup/keys",
            "/setup/networks",
            "/compare/cross-checks",
            "/compare/lists",
            "/compare/splits",
            "/compare/months");

    @Test
    void nothing_of_a_german_page_is_english() {
        Http person = german(tenant("Strandläufer"));
        SoftAssertions all = new SoftAssertions();
        for (String page : PAGES) {
            HttpResponse<String> answer = person.get(page);
            all.assertThat(answer.statusCode()).as(page).isEqualTo(200);
            Document html = Jsoup.parse(answer.body());
            all.assertThat(html.select("html").attr("lang")).as(page).isEqualTo("de");
            all.assertThat(html.select("[id]").eachAttr("id")).as(page).doesNotHaveDuplicates();
            all.assertThat(english(html)).as(page).isEmpty();
        }
        all.assertAll();
    }

    /** What of a page's texts has a word that only English has; names of things that are spelled so are left out. */
    private static TreeSet<String> english(Document html) {
        html.select("code, kbd, samp, script, style, [lang=en]").remove();
        TreeSet<String> english = new TreeSet<>();
        for (Element element : html.getAllElements()) {
            Stream.of(element.ownText(), element.attr("placeholder"), element.attr("aria-label"), element.attr("title"))
                    .filter(text -> ENGLISH.matcher(text).find())
                    .forEach(english::add);
        }
        return english;
    }

    @Test
    void a_persons_choice_holds_against_their_browser_until_they_choose_again() {
        Tenant tenant = tenant("Strandläufer");
        Http person = german(tenant);
        assertThat(person.get("/links").body()).contains("<html lang=\"de\"", ">English</button>");
        assertThat(asking(person, "/links", "en")).contains("<html lang=\"de\"");
        assertThat(person.form("/links", "/language", "language", "en", "back", "/links?sort=name")
                        .headers()
                        .firstValue("Location")
                        .orElseThrow())
                .endsWith("/links?sort=name");
        assertThat(asking(person, "/links", "de")).contains("<html lang=\"en\"", ">Deutsch</button>");
        person.form("/links", "/language", "language", "xx");
        assertThat(asking(person, "/links", "de-AT, en;q=0.5")).contains("<html lang=\"de\"");
    }

    @ParameterizedTest
    @ValueSource(strings = {"//elsewhere.example", "https://elsewhere.example/", "/\\elsewhere.example", ""})
    void choosing_a_language_leads_nowhere_else(String back) {
        Http person = http().signIn(tenant("Strandläufer").email());
        assertThat(person.form("/today", "/language", "language", "de", "back", back)
                        .headers()
                        .firstValue("Location")
                        .orElseThrow())
                .endsWith("/today")
                .doesNotContain("elsewhere");
    }

    private static String asking(Http reader, String page, String language) {
        return reader.send(reader.request(page).header("Accept-Language", language))
                .body();
    }

    @ParameterizedTest
    @CsvSource({
        "en-GB, en, This address leads nowhere",
        "'de-CH, fr;q=0.5', de, Diese Adresse führt nirgendwohin",
        "fr-CA, fr, Cette adresse ne mène nulle part",
        "'pt, es;q=0.8', es, Esta dirección no lleva a ninguna parte",
        "it, it, Questo indirizzo non porta da nessuna parte",
        "nl-BE, nl, Dit adres leidt nergens heen",
        "pl, pl, Ten adres donikąd nie prowadzi",
        "ja, en, This address leads nowhere",
        "'*', en, This address leads nowhere"
    })
    void a_dead_end_speaks_the_visitors_language(String asked, String language, String said) {
        Tenant tenant = tenant("Strandläufer");
        HttpRequest.Builder visit =
                http().request("/nowhere-at-all").header("Host", tenant.host()).header("Accept-Language", asked);
        assertThat(http().send(visit).body()).contains("<html lang=\"" + language + "\"", said, "Strandläufer");
    }

    @Test
    void the_first_language_that_we_have_is_taken() {
        assertThat(PublicLanguages.of("pt-BR, nl;q=0.4, de;q=0.8")).contains(Locale.GERMAN);
        assertThat(PublicLanguages.of("ja")).isEmpty();
        assertThat(PublicLanguages.of(";;;")).isEmpty();
        assertThat(PublicLanguages.of("")).isEmpty();
    }
}

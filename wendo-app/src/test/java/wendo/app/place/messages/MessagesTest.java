package wendo.app.place.messages;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.tables.TableReader;

/** Text messages, and links for each of their recipients. Phone numbers are of the ranges kept for fiction (Ofcom). */
class MessagesTest extends WendoTest {
    private Tenant tenant;
    private Http person;
    private String slug;
    private String page;

    @BeforeEach
    void open() {
        tenant = tenant("Eider Excursions");
        person = http().signIn(tenant.email());
        slug = http().issue(tenant.apiKey(), "https://eider.example/islands?day=all", "Spring", "Text")
                .get(0);
        page = "/links/"
                + in(
                        tenant,
                        () -> jdbc.sql("select id from link").query(UUID.class).single());
    }

    private String address() {
        return "http://" + tenant.host() + ":" + port + "/" + slug;
    }

    private String count(String... fields) {
        return person.form(page + "/message", page + "/message/count", fields)
                .body()
                .replaceAll("<[^>]*>", " ")
                .replaceAll("\\s+", " ");
    }

    @Test
    void segments_alphabet_and_cost_are_told_while_one_types() {
        int room = 160 - address().length() - 1;
        assertThat(count("text", "a".repeat(room) + " {link}", "recipients", "1,400", "price", "0.0355"))
                .contains(" 1 segment ", " 0 characters left ", "£49.70 for 1,400")
                .doesNotContain("<html");
        assertThat(count("text", "a".repeat(room + 1) + " {link}", "recipients", "1400", "price", "0.0355"))
                .contains(" 2 segments ", "£99.40", "1 of 2", "2 of 2");
        assertThat(count("text", "It’s on {link}"))
                .contains(
                        "Costly alphabet", "right single quotation mark", "use &#39; instead", "Use plain characters");
        assertThat(count("text", "no address", "recipients", "many", "price", "dear"))
                .contains("The link is missing from the text");
    }

    @Test
    void a_long_address_is_offered_to_be_short_and_dear_letters_to_be_plain() {
        String text =
                "See https://www.eider.example/elsewhere/and/further/on and https://eider.example/islands?utm_source=x&day=all!";
        assertThat(count("text", text)).contains("which leads to the same page", "The link leads to another page");
        person.form(
                page + "/message",
                page + "/message",
                "text",
                text,
                "replace",
                "https://eider.example/islands?utm_source=x&day=all");
        assertThat(person.get(page + "/message").body())
                .contains("https://www.eider.example/elsewhere/and/further/on and {link}!");
        person.form(
                page + "/message",
                page + "/message",
                "text",
                "It’s “on” {link}",
                "plain",
                "yes",
                "price",
                "0.04",
                "recipients",
                "7");
        assertThat(person.get(page + "/message").body())
                .contains("It&#39;s &quot;on&quot; {link}", "value=\"0.04\"", "value=\"7\"", "£0.28");
        HttpResponse<String> refused =
                person.form(page + "/message", page + "/message", "text", "x".repeat(2001), "price", "dear");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("this has 2,001", "Enter an amount in GBP", "value=\"dear\"");
    }

    private String bring(String pasted) {
        HttpResponse<String> answer = person.form(page + "/message", page + "/recipients", "pasted", pasted);
        return answer.headers().firstValue("Location").orElseThrow().replaceFirst("^https?://[^/]*", "");
    }

    private List<String> rows(String list) {
        return org.jsoup.Jsoup.parse(person.get(list).body())
                .select("table:has(a.sorting) tbody tr")
                .eachText();
    }

    private String lineOf(String list, String name) {
        return org.jsoup.Jsoup.parse(person.get(list).body())
                .select("tr:has(strong:matchesOwn(^" + name + "$)) input[form=many]")
                .val();
    }

    private List<CSVRecord> csv(String list) throws java.io.IOException {
        String text = new String(person.bytes(person.request(list + "/file.csv")), StandardCharsets.UTF_8);
        try (CSVParser parser = CSVParser.parse(
                text.substring(1),
                CSVFormat.RFC4180
                        .builder()
                        .setHeader()
                        .setSkipHeaderRecord(true)
                        .get())) {
            return parser.getRecords();
        }
    }

    @Test
    void each_person_gets_a_link_that_knows_them() throws Exception {
        String list = bring(
                "Name\tMobile\tE-mail\tTown\nAda\t07700 900123\t\tRill\nBo\t\tBO@reed.example\t\nCy\t+44 7700 900123\t\tFar\nDot\t12\t\tRill\nEve\t\tnot an address\t\nFay\t\t\t\n");
        assertThat(person.get(list).body())
                .contains(
                        "6 recipients",
                        "Issue 2 personal links",
                        "in an earlier row already",
                        "“12” is not a phone number",
                        "“not an address” is not an e-mail address",
                        "neither a phone number nor an e-mail address");
        String text = "Hello {name}, from {Town|your town}: {link} {Sign}";
        person.form(list, list, "name", "0", "phone", "1", "email", "2", "text", text);
        assertThat(person.get(list).body())
                .contains("Hello Ada, from Rill: " + address() + "/", "No column is called sign");
        person.form(
                list,
                list,
                "name",
                "0",
                "phone",
                "1",
                "email",
                "2",
                "text",
                text.replace(" {Sign}", ""),
                "make",
                "yes",
                "consentSource",
                "Ticked at the till");
        assertThat(person.get(list).body()).contains("2 personal links");

        List<CSVRecord> rows = csv(list);
        assertThat(rows).hasSize(6);
        assertThat(rows.get(0).get("Mobile")).isEqualTo("07700 900123");
        assertThat(rows.get(2).get("Mobile"))
                .as("not changed, not even by a quotation mark")
                .isEqualTo("+44 7700 900123");
        String ada = rows.get(0).get("Link");
        assertThat(ada).matches(java.util.regex.Pattern.quote(address()) + "/[0-9b-z]{6}");
        assertThat(rows.get(0).get("Text")).isEqualTo("Hello Ada, from Rill: " + ada);
        assertThat(rows.get(1).get("Text")).startsWith("Hello Bo, from your town: ");
        assertThat(rows.get(3).get("Link")).isEmpty();
        assertThat(rows.get(3).get("What is wrong")).contains("not a phone number");
        assertThat(TableReader.read(person.bytes(person.request(list + "/file.xlsx")))
                        .rows())
                .hasSize(6);
        assertThat(in(
                        tenant,
                        () -> jdbc.sql("select phone || email from recipient where code is not null order by line")
                                .query(String.class)
                                .list()))
                .containsExactly("+447700900123", "bo@reed.example");

        String code = ada.substring(ada.lastIndexOf('/') + 1);
        for (String path : List.of(
                slug + "/" + code,
                slug.toUpperCase(Locale.ROOT) + "/" + code.toUpperCase(Locale.ROOT) + "/",
                slug + "/zzzzzz")) {
            assertThat(http().visit(tenant.host(), path)
                            .headers()
                            .firstValue("Location")
                            .orElseThrow())
                    .as("a code that nobody has leads on all the same")
                    .startsWith("https://eider.example/islands?day=all&utm_source=text");
        }
        assertThat(http().visit(tenant.host(), slug + "/not-a-code").statusCode())
                .isEqualTo(404);
        await("visits are stored", () -> count(tenant, "select count(*) from visit") == 3);
        assertThat(count(
                        tenant,
                        "select count(*) from visit v join recipient r on r.id = v.recipient_id where r.name = 'Ada'"))
                .isEqualTo(2);
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"booking\", \"reference\": \"B-9\", \"value\": 40, \"phone\": \"07700 900123\"}");
        assertThat(person.get(list).body()).contains("1 person tapped", "booking B-9, £40.00");
        assertThat(rows(list + "?state=tapped")).singleElement().asString().contains("Ada", "2");
        assertThat(rows(list + "?state=not_yet")).singleElement().asString().contains("Bo");
        assertThat(rows(list + "?state=without_link")).hasSize(4);
        assertThat(rows(list + "?find=BO@REED")).singleElement().asString().contains("Bo");
        assertThat(rows(list + "?sort=who&state=nonsense").get(0)).contains("Ada");
        assertThat(person.get(list + "?find=nobody&page=9").body()).contains("No recipient matches.");
        person.form(list, list + "/withdraw?state=not_yet", "line", lineOf(list, "Bo"));
        assertThat(person.get(list + "?state=not_yet").body()).contains("Consent withdrawn for 1 recipient.");
        assertThat(rows(list + "?state=without_link"))
                .hasSize(5)
                .anyMatch(row -> row.contains("They withdrew their consent"));
        CSVRecord told = csv(list).get(0);
        assertThat(told.get("Taps")).isEqualTo("2");
        assertThat(told.get("Outcomes")).isEqualTo("booking B-9");
        assertThat(told.get("Value, GBP")).isEqualTo("40.00");
        assertThat(csv(list).get(1).get("Taps")).isEqualTo("0");
        assertThat(person.get("/compare/behind/people?key=all").body()).contains("<strong>Ada, </strong>");
        person.form(
                list,
                list,
                "name",
                "0",
                "phone",
                "1",
                "email",
                "2",
                "text",
                "changed",
                "make",
                "yes",
                "consentSource",
                "Ticked at the till");
        assertThat(csv(list).get(0).get("Link")).as("made once").isEqualTo(ada);
    }

    @Test
    void two_lists_of_one_link_have_no_code_in_common() {
        StringBuilder table = new StringBuilder("Name,Email\n");
        for (int i = 0; i < 2000; i++) {
            table.append("Reader ").append(i).append(",r").append(i).append("@reed.example\n");
        }
        List<String> lists = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            String list = bring(table.toString());
            person.form(
                    list,
                    list,
                    "name",
                    "0",
                    "phone",
                    "-1",
                    "email",
                    "1",
                    "text",
                    "{link}",
                    "make",
                    "yes",
                    "consentSource",
                    "Ticked at the till");
            lists.add(list);
        }
        assertThat(count(tenant, "select count(distinct code) from recipient")).isEqualTo(4000);
        Http curious = http().signIn(tenant("Curious Cruises").email());
        assertThat(curious.get(lists.get(0)).statusCode()).isEqualTo(404);
        assertThat(curious.get(lists.get(0) + "/file.csv").statusCode()).isEqualTo(404);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"'' | The file is empty|", "'Name,\"x' | quotation mark is not closed|"})
    void a_file_that_cannot_be_read_says_why(String pasted, String expected) {
        HttpResponse<String> answer = person.form(page + "/message", page + "/recipients", "pasted", pasted);
        assertThat(answer.headers().firstValue("Location").orElseThrow()).endsWith("/message");
        assertThat(person.get(page + "/message").body()).containsAnyOf(expected, "heading", "table");
    }
}

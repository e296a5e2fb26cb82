package wendo.app.lead.forms;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

class FormsTest extends WendoTest {
    private static final List<String> GROUP_DAYS = List.of(
            "name",
            "Group days",
            "purpose",
            "enquiry",
            "title",
            "Ask about a group day",
            "button",
            "Send",
            "thanks",
            "We ring you tomorrow.",
            "accent",
            "sea",
            "ask.name",
            "needed",
            "ask.email",
            "needed",
            "ask.phone",
            "asked",
            "ask.day",
            "asked",
            "ask.people",
            "asked",
            "ask.message",
            "asked",
            "ask.answer",
            "asked");

    private Tenant tenant;
    private Http person;
    private String slug;
    private String form;

    @BeforeEach
    void make() {
        tenant = tenant("Knot Kayaks");
        person = http().signIn(tenant.email());
        slug = http().issue(tenant.apiKey(), "https://knot.example/day", "Spring", "Postcards")
                .get(0);
        HttpResponse<String> made =
                person.form("/setup/forms/new", "/setup/forms/new", GROUP_DAYS.toArray(String[]::new));
        assertThat(made.statusCode()).as(made.body()).isEqualTo(302);
        form = made.headers().firstValue("Location").orElseThrow().replaceFirst(".*/", "");
    }

    private void show(String shows, String strictness) {
        String link = in(
                tenant,
                () -> jdbc.sql("select id::text from link").query(String.class).single());
        String page = "/links/" + link + "/form";
        assertThat(person.form(page, page, "form", form, "shows", shows, "looks", "2", "strictness", strictness)
                        .statusCode())
                .isEqualTo(302);
        boolean isShown = !shows.equals("never");
        await(
                "the link host knows",
                () -> location(http().visit(tenant.host(), slug)).startsWith("/t/forms") == isShown);
    }

    private static String location(HttpResponse<String> answer) {
        return answer.headers().firstValue("Location").orElse("");
    }

    private HttpResponse<String> open(Http visitor, String path) {
        return visitor.send(visitor.request(path).header("Host", tenant.host()));
    }

    private HttpResponse<String> send(Http visitor, String path, String... fields) {
        Matcher once = Pattern.compile("name=\"once\" value=\"([0-9a-f]{12})\"")
                .matcher(open(visitor, path).body());
        List<String> all = new ArrayList<>(List.of(fields));
        if (once.find()) {
            all.addAll(List.of("once", once.group(1)));
        }
        return post(visitor, path, all);
    }

    private HttpResponse<String> post(Http visitor, String path, List<String> fields) {
        StringBuilder body = new StringBuilder();
        for (int i = 0; i < fields.size(); i += 2) {
            body.append(i == 0 ? "" : "&")
                    .append(fields.get(i))
                    .append('=')
                    .append(java.net.URLEncoder.encode(fields.get(i + 1), java.nio.charset.StandardCharsets.UTF_8));
        }
        return visitor.send(visitor.request(path)
                .header("Host", tenant.host())
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body.toString())));
    }

    @Test
    void a_form_stands_before_the_page_and_what_is_sent_is_a_lead_of_the_links_source() {
        show("first", "usual");
        Http visitor = http();
        HttpResponse<String> led = visitor.visit(tenant.host(), slug);
        String path = location(led);
        HttpResponse<String> shown = open(visitor, path);
        assertThat(shown.body())
                .contains("Ask about a group day", "og:title", "Continue without filling it in", "utm_source=postcards")
                .doesNotContain("<script");
        HttpResponse<String> wrong = send(
                visitor,
                path,
                "name",
                "Ines",
                "email",
                "ines(at)marsh",
                "phone",
                "12",
                "day",
                "2001-01-01",
                "people",
                "0");
        assertThat(wrong.statusCode()).isEqualTo(422);
        assertThat(wrong.body())
                .contains(
                        "This is not an e-mail address",
                        "value=\"ines(at)marsh\"",
                        "not a phone number",
                        "from today on",
                        "1 to 500");
        HttpResponse<String> sent = send(
                visitor,
                path,
                "name",
                "Ines",
                "email",
                "Ines@marsh.example",
                "phone",
                "07700 900123",
                "people",
                "12",
                "message",
                "In June?");
        assertThat(sent.body()).contains("We ring you tomorrow.", "https://knot.example/day", "wcl=" + Http.click(led));
        await("it is credited", () -> count(tenant, "select count(*) from credit") == 1);
        String lead = in(
                tenant,
                () -> jdbc.sql(
                                "select kind || ' ' || name || ' ' || email || ' ' || phone || ' ' || items || ' ' || note || ' ' || reported_by from outcome")
                        .query(String.class)
                        .single());
        assertThat(lead).isEqualTo("lead Ines ines@marsh.example +447700900123 12 people In June? form");
        assertThat(location(open(visitor, location(visitor.visit(tenant.host(), slug)))))
                .as("whoever has answered is led straight on")
                .startsWith("https://knot.example/day?");
        assertThat(person.get("/setup/forms").body()).contains(">1</td>");
    }

    @Test
    void pressing_twice_sends_once_and_programs_are_thanked_for_nothing() {
        String path = "/t/forms/" + form;
        List<String> fields = List.of("once", "0123456789ab", "name", "Ines", "email", "ines@marsh.example");
        post(http(), path, fields);
        assertThat(post(http(), path, fields).statusCode()).isEqualTo(200);
        assertThat(count(tenant, "select count(*) from outcome")).isEqualTo(1);
        HttpResponse<String> program =
                send(http(), path, "name", "Bot", "email", "bot@spam.example", "website", "https://spam.example");
        assertThat(program.body()).contains("Sent");
        assertThat(count(tenant, "select count(*) from outcome")).isEqualTo(1);
        int status = 200;
        for (int i = 0; i < 12 && status != 422; i++) {
            status = post(http(), path, fields).statusCode();
        }
        assertThat(status).as("too many within a minute").isEqualTo(422);
    }

    @Test
    void after_a_number_of_looks_it_is_shown_and_before_that_the_page() {
        show("after", "usual");
        Http visitor = http();
        List<Boolean> asked = new ArrayList<>();
        for (int look = 0; look < 4; look++) {
            asked.add(open(visitor, location(visitor.visit(tenant.host(), slug)))
                            .statusCode()
                    == 200);
        }
        assertThat(asked).containsExactly(false, false, true, true);
    }

    @Test
    void how_strictly_it_looks_is_the_links_choice() {
        show("first", "light");
        Http visitor = http();
        String path = location(visitor.visit(tenant.host(), slug));
        assertThat(send(visitor, path, "name", "Ines", "phone", "07700 900123").statusCode())
                .isEqualTo(200);
        assertThat(send(http(), path, "name", "Ines").body()).contains("so that we can answer");
        show("own", "strict");
        String strict = location(http().visit(tenant.host(), slug));
        assertThat(open(http(), strict).body()).doesNotContain("Continue without");
        assertThat(send(http(), strict, "name", "Ines", "email", "ines@marsh.example")
                        .statusCode())
                .isEqualTo(422);
        assertThat(send(http(), strict, "name", "Ines", "email", "ines@marsh.example", "phone", "+44 7700 90012")
                        .statusCode())
                .isEqualTo(422);
        show("never", "usual");
        assertThat(location(http().visit(tenant.host(), slug))).startsWith("https://knot.example/day");
    }

    @Test
    void what_leads_nowhere_says_so_and_another_business_sees_no_form() {
        assertThat(open(http(), "/t/forms/" + java.util.UUID.randomUUID()).statusCode())
                .isEqualTo(404);
        assertThat(open(http(), "/t/forms/first?at=nothing&to=x").statusCode()).isEqualTo(404);
        Tenant other = tenant("Other Oars");
        Http stranger = http().signIn(other.email());
        assertThat(stranger.get("/setup/forms/" + form).statusCode()).isEqualTo(404);
        assertThat(stranger.get("/setup/forms").body()).doesNotContain("Group days");
        HttpResponse<String> refused =
                person.form("/setup/forms/new", "/setup/forms/new", GROUP_DAYS.toArray(String[]::new));
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("There is a form with this name.", "Ask about a group day");
        assertThat(person.form("/setup/forms/new", "/setup/forms/new", "name", "x")
                        .body())
                .contains("otherwise you cannot answer");
    }

    @Test
    void an_archived_form_stands_before_no_link() {
        show("first", "usual");
        String at = location(http().visit(tenant.host(), slug));
        assertThat(open(http(), at).statusCode()).isEqualTo(200);
        in(tenant, () -> jdbc.sql("update entry_form set archived = true").update());
        HttpResponse<String> led = open(http(), at);
        assertThat(led.statusCode()).isEqualTo(302);
        assertThat(location(led)).startsWith("https://knot.example/day");
    }

    @Test
    void the_businesss_own_mark_stands_on_it_and_in_previews_of_it() {
        String path = "/t/forms/" + form;
        assertThat(open(http(), path).body()).doesNotContain("og:image", "<img");
        byte[] png = java.util.Base64.getDecoder()
                .decode(
                        "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==");
        in(
                tenant,
                () -> jdbc.sql(
                                "insert into logo (id, business_id, png, updated_at) values (gen_random_uuid(), ?, ?, now())")
                        .params(tenant.id().value(), png)
                        .update());
        String page = open(http(), path).body();
        Matcher mark = Pattern.compile("og:image\" content=\"https?://[^/]+(/t/mark/[^\"]+)\"")
                .matcher(page);
        assertThat(mark.find()).as(page).isTrue();
        HttpResponse<String> image = open(http(), mark.group(1));
        assertThat(image.statusCode()).isEqualTo(200);
        assertThat(image.headers().firstValue("Content-Type")).hasValue("image/png");
        assertThat(open(http(), "/t/mark/nobody.png").statusCode()).isEqualTo(404);
    }

    @Test
    void what_is_typed_is_seen_at_once_and_kept_nowhere() {
        long before = count(tenant, "select count(*) from entry_form");
        HttpResponse<String> seen = person.form(
                "/setup/forms/new",
                "/setup/forms/preview",
                "title",
                "<i>Ask</i>",
                "button",
                "Go",
                "accent",
                "plum",
                "ask.day",
                "needed",
                "ask.people",
                "asked",
                "ask.name",
                "off");
        assertThat(seen.statusCode()).isEqualTo(200);
        assertThat(seen.body())
                .contains("&lt;i&gt;Ask&lt;/i&gt;", "accent-plum", "Which day", "How many people", "Go")
                .containsOnlyOnce("(optional)")
                .doesNotContain("Your name", "<html");
        assertThat(count(tenant, "select count(*) from entry_form")).isEqualTo(before);
    }
}

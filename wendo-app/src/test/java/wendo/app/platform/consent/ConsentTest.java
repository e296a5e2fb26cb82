package wendo.app.platform.consent;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.TestPost;
import wendo.app.WendoTest;

/** Nothing is sent or exported for a purpose that nobody agreed to. */
class ConsentTest extends WendoTest {
    private static final String WORDS = "You may text and e-mail me about courses.";

    @Autowired
    private Consents consents;

    private final TestPost post = TestPost.instance();
    private Tenant tenant;
    private Http person;
    private String form;

    @BeforeEach
    void open() {
        tenant = tenant("Turnstone Tours");
        person = http().signIn(tenant.email());
        in(
                tenant,
                () -> jdbc.sql("update business set cut_off = '23:59:59', quiet_from = '08:00', quiet_until = '08:00'")
                        .update());
        form = made("/setup/forms/new", formFields(WORDS));
        String plan = made(
                "/setup/follow-up/new",
                "name",
                "Texts",
                "kind.0",
                "text",
                "body.0",
                "Thank you for asking",
                "kind.1",
                "text",
                "body.1",
                "Our new courses",
                "about.1",
                "news",
                "kind.2",
                "email",
                "subject.2",
                "Next year",
                "body.2",
                "Early places",
                "about.2",
                "news",
                "days.2",
                "20");
        String all = "/setup/handovers/business/" + tenant.id().value();
        assertThat(person.form(all, all, "ownerIs", "none", "plan", plan).statusCode())
                .isEqualTo(302);
    }

    private static String[] formFields(String words) {
        return new String[] {
            "name",
            "Ask",
            "purpose",
            "enquiry",
            "title",
            "Ask us",
            "button",
            "Send",
            "thanks",
            "Thank you",
            "ask.name",
            "asked",
            "ask.email",
            "asked",
            "ask.phone",
            "asked",
            "ask.consent",
            "asked",
            "promise",
            words,
            "covers.email-news",
            "yes",
            "covers.text-news",
            "yes"
        };
    }

    private String made(String page, String... fields) {
        HttpResponse<String> made = person.form(page, page, fields);
        assertThat(made.statusCode()).as(made.body()).isEqualTo(302);
        return made.headers().firstValue("Location").orElseThrow().replaceFirst(".*/", "");
    }

    private String unique(String name) {
        return name + "-" + tenant.id().value().toString().substring(0, 8) + "@reed.example";
    }

    private String number(int last) {
        return "+4477009"
                + String.format(
                        Locale.ROOT, "%05d", Math.floorMod(tenant.id().value().hashCode() + last, 100000));
    }

    /** Fills in the form, and waits until the lead is handed over. */
    private String lead(String email, String phone, boolean consents) {
        List<String> fields =
                new ArrayList<>(List.of("name=Ada", "email=" + email, "phone=" + phone.replace("+", "%2B")));
        if (consents) {
            fields.add("consent=yes");
        }
        HttpResponse<String> sent = http().send(http().request("/t/forms/" + form)
                .header("Host", tenant.host())
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(String.join("&", fields))));
        assertThat(sent.body()).contains("Thank you");
        await("it is handed over", () -> !handedOver(email).isEmpty());
        return handedOver(email).get(0);
    }

    private List<String> handedOver(String email) {
        return in(tenant, () -> jdbc.sql("""
                                select o.id::text from outcome o join lead l on l.outcome_id = o.id
                                where o.email = ? and l.handed_at is not null order by o.recorded_at desc
                                """).param(email).query(String.class).list());
    }

    private List<String> states(String lead) {
        return in(
                tenant,
                () -> jdbc.sql("select state from outgoing where lead_id = ? and purpose = 'plan' order by place")
                        .param(UUID.fromString(lead))
                        .query(String.class)
                        .list());
    }

    private List<String> words() {
        return in(
                tenant,
                () -> jdbc.sql("select edition || ' ' || words from consent_words order by edition")
                        .query(String.class)
                        .list());
    }

    @Test
    void who_did_not_tick_it_gets_an_answer_and_no_news() {
        String phone = number(1);
        String id = lead(unique("no"), phone, false);
        await("the answer goes out", () -> states(id).equals(List.of("sent")));
        assertThat(post.textsTo(phone))
                .extracting(text -> text.get("text").asString())
                .containsExactly("Thank you for asking");
        assertThat(count(tenant, "select count(*) from consent_record")).isZero();
        assertThat(person.get("/leads/" + id).body())
                .contains(
                        "Step 2 of the follow-up was left out: no consent to text news is on record for " + phone,
                        "Step 3 of the follow-up was left out: no consent to e-mail news is on record for "
                                + unique("no"));
    }

    @Test
    void who_ticked_it_has_a_record_with_the_words_and_gets_what_they_agreed_to() {
        String phone = number(2);
        String id = lead(unique("yes"), phone, true);
        await("both texts go out", () -> states(id).equals(List.of("sent", "sent", "waiting")));
        assertThat(person.get("/leads/" + id).body())
                .contains("<q", WORDS, "Text news", "E-mail news", phone, "version 1", "entry form Ask");
        assertThat(person.get("/outcomes/" + id).body()).contains(WORDS, "E-mail news");
        String file = person.get("/setup/consent/records.csv").body();
        assertThat(file.lines()).hasSize(3);
        assertThat(file).contains(phone + ",Text news," + WORDS + ",1,", "/t/forms/" + form);
        assertThat(in(tenant, () -> consents.allows(phone, ConsentPurpose.ADVERTISING)))
                .as("the words did not cover it")
                .isFalse();

        String message = in(
                tenant,
                () -> jdbc.sql("select id::text from outgoing where place = 2")
                        .query(String.class)
                        .single());
        http().send(http().request("/t/stop/" + message).POST(HttpRequest.BodyPublishers.noBody()));
        assertThat(states(id)).containsExactly("sent", "sent", "stopped");
        assertThat(person.get("/leads/" + id).body()).contains("on the stop page");
        assertThat(in(tenant, () -> consents.allows(unique("yes"), ConsentPurpose.EMAIL_NEWS)))
                .isFalse();
        assertThat(in(tenant, () -> consents.allows(phone, ConsentPurpose.TEXT_NEWS)))
                .as("their phone is another contact")
                .isTrue();
    }

    @Test
    void changed_words_are_a_new_version_and_old_records_keep_theirs() {
        lead(unique("one"), number(3), true);
        String page = "/setup/forms/" + form;
        assertThat(person.form(page, page, formFields("Something else.")).statusCode())
                .isEqualTo(302);
        lead(unique("two"), number(4), true);
        assertThat(words()).containsExactly("1 " + WORDS, "2 Something else.");
        assertThat(person.get("/setup/consent?contact=" + unique("one")).body())
                .contains(WORDS)
                .doesNotContain("Something else.");
    }

    @Test
    void the_office_withdraws_what_somebody_tells_it_and_what_waits_is_stopped() {
        String id = lead(unique("rang"), number(5), true);
        await("it waits", () -> states(id).equals(List.of("sent", "sent", "waiting")));
        String record = in(
                tenant,
                () -> jdbc.sql("select id::text from consent_record where purpose = 'email-news'")
                        .query(String.class)
                        .single());
        assertThat(http().signIn(tenant("Curious Cruises").email())
                        .form("/setup/consent", "/setup/consent/" + record + "/withdraw")
                        .statusCode())
                .isEqualTo(404);
        person.form("/leads/" + id, "/setup/consent/" + record + "/withdraw", "back", "/leads/" + id);
        assertThat(states(id)).containsExactly("sent", "sent", "stopped");
        assertThat(person.get("/leads/" + id).body())
                .contains("by the office", "They withdrew their consent; what was still to be sent is stopped.");
    }

    @Test
    void a_reply_of_a_stop_word_alone_withdraws() {
        String phone = number(6);
        lead(unique("reply"), phone, true);
        await("both texts arrive", () -> post.textsTo(phone).size() == 2);
        news(post.textsTo(phone).get(0).get("id").asString(), "Please do not stop");
        assertThat(in(tenant, () -> consents.allows(phone, ConsentPurpose.TEXT_NEWS)))
                .isTrue();
        news(post.textsTo(phone).get(0).get("id").asString(), " Stop ");
        assertThat(in(tenant, () -> consents.allows(phone, ConsentPurpose.TEXT_NEWS)))
                .isFalse();
        assertThat(person.get("/setup/consent?contact=" + URLEncoder.encode(phone, StandardCharsets.UTF_8))
                        .body())
                .contains("by a reply");
    }

    private void news(String id, String text) {
        assertThat(http().send(http().request("/t/messages/news")
                                .header("Content-Type", "application/json")
                                .header("Authorization", "Bearer " + TestPost.GATEWAY_KEY)
                                .POST(HttpRequest.BodyPublishers.ofString(
                                        "{\"id\": \"%s\", \"event\": \"replied\", \"text\": \"%s\"}"
                                                .formatted(id, text))))
                        .statusCode())
                .isEqualTo(204);
    }

    @Test
    void a_form_that_asks_for_consent_says_what_it_covers() {
        List<String> fields = new ArrayList<>(List.of(formFields(WORDS)));
        fields.set(1, "Another");
        assertThat(person.form(
                                "/setup/forms/new",
                                "/setup/forms/new",
                                fields.subList(0, fields.size() - 4).toArray(String[]::new))
                        .body())
                .contains("Choose what this consent covers.");
    }

    @Test
    void an_uploaded_list_says_where_its_consent_comes_from_and_takes_no_withdrawal_back() {
        String gone = unique("gone");
        lead(gone, number(7), true);
        in(tenant, () -> {
            consents.withdraw(gone, Withdrawal.OFFICE, "Ola");
            return true;
        });
        String slug = http().issue(tenant.apiKey(), "https://turnstone.example/", "Spring", "Letter")
                .get(0);
        String link = in(
                tenant,
                () -> jdbc.sql("select id::text from link where slug = ?")
                        .param(slug)
                        .query(String.class)
                        .single());
        String list = "/recipients/"
                + person.form(
                                "/links/" + link + "/message",
                                "/links/" + link + "/recipients",
                                "pasted",
                                "Name,Email\nAda," + gone + "\nBo," + unique("bo") + "\n")
                        .headers()
                        .firstValue("Location")
                        .orElseThrow()
                        .replaceFirst(".*/", "");
        String[] columns = {
            "name", "0", "phone", "-1", "email", "1", "text", "{link}", "make", "yes", "consentSource", ""
        };
        HttpResponse<String> refused = person.form(list, list, columns);
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("Enter where these people agreed to be written to.");
        columns[11] = "Ticked at the till, 2026";
        person.form(list, list, columns);
        String file = person.get(list + "/file.csv").body();
        assertThat(file.lines().toList().get(1)).as("no link").endsWith(",,,They withdrew their consent.,0,,,,");
        assertThat(file.lines().toList().get(2)).startsWith("Bo,").endsWith(",");
        assertThat(in(tenant, () -> consents.allows(unique("bo"), ConsentPurpose.EMAIL_NEWS)))
                .isTrue();
        in(tenant, () -> {
            consents.withdraw(unique("bo"), Withdrawal.REPLY, "");
            return true;
        });
        assertThat(person.get(list + "/file.csv").body().lines().toList().get(2))
                .as("withdrawn after the links were made")
                .endsWith(",,,They withdrew their consent.,0,,,,");
    }
}

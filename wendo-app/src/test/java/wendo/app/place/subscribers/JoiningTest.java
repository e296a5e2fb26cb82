package wendo.app.place.subscribers;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.consent.ConsentGiven;
import wendo.app.platform.consent.ConsentPlace;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.Consents;

/** People come onto lists, confirm, choose and leave. */
class JoiningTest extends WendoTest {
    private static final String ADA = "ada@reed.example";

    @Autowired
    private ExpiredRequests expired;

    @Autowired
    private Consents consents;

    private Tenant tenant;
    private Http owner;
    private UUID list;

    @BeforeEach
    void open() {
        tenant = tenant("Petrel Post");
        owner = http().signIn(tenant.email());
        list = add("Tides", "confirms", "yes", "confirmDays", "7", "labels", "Tides, Spring");
    }

    private UUID add(String name, String... more) {
        String[] fields = IntStream.range(0, 6 + more.length)
                .mapToObj(at -> at < 6
                        ? List.of("name", name, "promise", name + ", monthly", "hasForm", "yes")
                                .get(at)
                        : more[at - 6])
                .toArray(String[]::new);
        assertThat(owner.form("/subscribers/lists", "/subscribers/lists", fields)
                        .statusCode())
                .isEqualTo(302);
        return in(
                tenant,
                () -> jdbc.sql("select id from newsletter_list where name = ?")
                        .param(name)
                        .query(UUID.class)
                        .single());
    }

    private HttpResponse<String> open(String path) {
        return http().send(http().request(path).header("Host", tenant.host()));
    }

    private HttpResponse<String> press(String path, String body) {
        return http().send(http().request(path)
                .header("Host", tenant.host())
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    private HttpResponse<String> join(UUID to, String email) {
        return press("/t/lists/" + to, "reader=" + URLEncoder.encode(email, StandardCharsets.UTF_8));
    }

    private List<String> mails(String purpose, String column) {
        return in(
                tenant,
                () -> jdbc.sql("select %s from outgoing where purpose = ? order by kept_at".formatted(column))
                        .param(purpose)
                        .query(String.class)
                        .list());
    }

    /** The path of the link in the mail that asked last. */
    private String asked() {
        List<String> bodies = mails("confirm", "body");
        return bodies.get(bodies.size() - 1).replaceFirst("(?s)^.*(/t/join/[0-9a-f-]{36}).*$", "$1");
    }

    private long subscribed() {
        return count(tenant, """
                select count(*) from list_member m join subscriber u on u.id = m.subscriber_id
                where m.left_at is null and exists (select from consent_record r
                    where r.contact = u.email and r.purpose = 'email-news' and r.withdrawn_at is null)""");
    }

    private long known() {
        return count(tenant, "select count(*) from subscriber")
                + count(tenant, "select count(*) from consent_record")
                + count(tenant, "select count(*) from outcome");
    }

    @Test
    void nobody_is_subscribed_before_they_have_confirmed_and_opening_the_mails_link_does_not() {
        assertThat(open("/t/lists/" + list).body()).contains("Tides, monthly", "type=\"email\"");
        assertThat(join(list, "Ada@reed.example").body()).contains("Check your mail", "Ada@reed.example");
        assertThat(known()).as("nothing is known of her yet").isZero();
        assertThat(mails("confirm", "subject")).containsExactly("Please confirm: Tides");
        assertThat(mails("confirm", "body").get(0))
                .contains("Petrel Post", "Tides, monthly", "The link works for 7 days");
        assertThat(open(asked()).body()).contains("Yes, subscribe me");
        assertThat(known())
                .as("a scanner that opens every link subscribes nobody")
                .isZero();
        assertThat(press(asked(), "").body()).contains("You are subscribed");
        assertThat(press(asked(), "").body()).contains("You are subscribed");
        assertThat(subscribed()).isOne();
        assertThat(count(tenant, "select count(*) from outcome where kind = 'subscription'"))
                .isOne();
        assertThat(in(
                        tenant,
                        () -> jdbc.sql("select array_to_string(labels, ',') from subscriber")
                                .query(String.class)
                                .single()))
                .isEqualTo("Spring,Tides");
        assertThat(owner.get("/subscribers?list=" + list + "&label=Tides").body())
                .contains("1 subscriber<", ADA);
        assertThat(owner.get("/subscribers?label=Kit").body()).contains("No subscriber matches.");
        assertThat(owner.get("/subscribers/lists").body()).contains("confirmed by mail");
    }

    @Test
    void a_request_that_nobody_confirms_runs_out_and_is_forgotten() {
        join(list, ADA);
        String path = asked();
        in(
                tenant,
                () -> jdbc.sql("update join_request set expires_at = now() - interval '1 minute'")
                        .update());
        assertThat(open(path).statusCode()).isEqualTo(404);
        assertThat(press(path, "").body()).contains("Subscribe once more to get a new one");
        assertThat(known()).isZero();
        expired.run();
        assertThat(count(tenant, "select count(*) from join_request")).isZero();
        assertThat(owner.get("/subscribers/lists/" + list).body()).doesNotContain(ADA);
    }

    @Test
    void an_address_is_asked_three_times_a_day_at_most_and_told_nothing_of_who_is_known() {
        String first = join(list, ADA).body();
        press(asked(), "");
        for (int again = 0; again < 5; again++) {
            assertThat(join(list, ADA).body()).isEqualTo(first);
        }
        assertThat(mails("confirm", "recipient")).hasSize(3);
        assertThat(subscribed()).isOne();
    }

    @Test
    void whoever_joins_is_welcomed_once_and_can_choose_and_leave_by_that_mail() {
        UUID kit = add("Kit", "welcomes", "yes", "subject", "Welcome to {list}", "body", "From {business}.");
        assertThat(join(kit, ADA).body()).contains("You are subscribed");
        join(kit, ADA);
        assertThat(mails("mailing", "subject")).containsExactly("Welcome to Kit");
        assertThat(mails("mailing", "body")).containsExactly("From Petrel Post.");
        String mail = mails("mailing", "id::text").get(0);
        assertThat(open("/t/stop/" + mail).body()).contains("/t/preferences/" + mail);
        String page = "/t/preferences/" + mail;
        assertThat(open(page).body()).contains(ADA, "Tides, monthly", "Kit, monthly");
        assertThat(press(page, "list=" + list + "&list=" + kit).body()).contains("Saved.");
        assertThat(subscribed())
                .as("no second mail asks whoever holds the first")
                .isEqualTo(2);
        in(tenant, () -> {
            consents.state(new ConsentGiven(
                    List.of(ADA),
                    Set.of(ConsentPurpose.ADVERTISING),
                    "Ads",
                    ConsentPlace.TOLD,
                    UUID.randomUUID(),
                    Optional.empty(),
                    Optional.empty(),
                    ""));
            return tenant;
        });
        press(page, "list=" + kit);
        assertThat(subscribed()).isOne();
        press(page, "");
        assertThat(subscribed()).isZero();
        assertThat(in(
                        tenant,
                        () -> jdbc.sql(
                                        "select distinct purpose || ' ' || coalesce(withdrawn_how, '-') from consent_record order by 1")
                                .query(String.class)
                                .list()))
                .as("who leaves the last list takes back that consent, and no other")
                .containsExactly("advertising -", "email-news choices");
        press(page, "list=" + kit);
        assertThat(subscribed()).isOne();
    }

    @Test
    void who_stops_all_messages_is_on_no_list_and_asked_by_none() {
        UUID kit = add("Kit", "welcomes", "yes", "subject", "Hello", "body", "Hello.");
        join(kit, ADA);
        join(list, ADA);
        press("/t/stop/" + mails("mailing", "id::text").get(0), "");
        assertThat(subscribed()).isZero();
        assertThat(count(tenant, "select count(*) from list_member where left_at is null"))
                .isZero();
        assertThat(open(asked()).statusCode())
                .as("nothing waits to be confirmed")
                .isEqualTo(404);
    }

    @Test
    void two_who_press_at_once_with_one_address_are_one_subscriber() {
        UUID kit = add("Kit", "welcomes", "yes", "subject", "Hello", "body", "Hello.");
        List<Integer> answers = IntStream.range(0, 8)
                .parallel()
                .mapToObj(each -> join(kit, ADA).statusCode())
                .toList();
        assertThat(answers).containsOnly(200);
        assertThat(subscribed()).isOne();
        assertThat(mails("mailing", "subject")).hasSize(1);
        assertThat(count(tenant, "select count(*) from outcome")).isOne();
    }

    @Test
    void programs_and_strangers_get_nowhere() {
        assertThat(press("/t/lists/" + list, "reader=ada%40reed.example&website=x")
                        .body())
                .contains("Check your mail");
        assertThat(join(list, "ada@reed").statusCode()).isEqualTo(422);
        assertThat(join(list, "a".repeat(5000) + "@reed.example").statusCode()).isEqualTo(422);
        assertThat(mails("confirm", "id::text")).isEmpty();
        assertThat(open("/t/lists/" + UUID.randomUUID()).statusCode()).isEqualTo(404);
        assertThat(open("/t/join/" + UUID.randomUUID()).statusCode()).isEqualTo(404);
        assertThat(open("/t/preferences/" + UUID.randomUUID()).statusCode()).isEqualTo(404);
        Http stranger = http().signIn(tenant("Somebody Else").email());
        assertThat(stranger.get("/subscribers/lists/" + list).statusCode()).isEqualTo(404);
        owner.form("/subscribers/lists/" + list, "/subscribers/lists/" + list + "/archive");
        assertThat(open("/t/lists/" + list).statusCode()).isEqualTo(404);
    }

    @Test
    void a_list_is_saved_with_what_is_wrong_beside_it_and_of_two_editors_the_later_is_told() {
        String page = "/subscribers/lists/" + list;
        String refused = owner.form(
                        page,
                        page,
                        "name",
                        "",
                        "promise",
                        "x",
                        "confirmDays",
                        "99",
                        "onward",
                        "javascript:alert(1)",
                        "welcomes",
                        "yes",
                        "body",
                        "{nam}")
                .body();
        assertThat(refused)
                .contains(
                        "Enter a name.",
                        "from 1 to 30",
                        "Enter a subject.",
                        "There is no field “nam”",
                        "javascript:alert(1)");
        String version = owner.get(page).body().replaceFirst("(?s)^.*name=\"version\" value=\"(\\d+)\".*$", "$1");
        owner.form(page, page, "name", "Tides and times", "promise", "Monthly", "version", version);
        HttpResponse<String> late = owner.form(page, page, "name", "Tides", "promise", "Weekly", "version", version);
        assertThat(late.statusCode()).isEqualTo(409);
        assertThat(late.body()).contains("Tides and times");
        add("Kit");
        assertThat(owner.form("/subscribers/lists", "/subscribers/lists", "name", "KIT", "promise", "x")
                        .body())
                .contains("Another list has this name.");
    }

    @Test
    void a_sending_system_gets_subscribers_under_its_own_headings() {
        join(list, ADA);
        press(asked(), "");
        owner.form("/subscribers/senders", "/subscribers/senders", "name", "Our letter", "placeholder", "{{email}}");
        String id = in(
                tenant,
                () -> jdbc.sql("select id::text from sender")
                        .query(String.class)
                        .single());
        String page = "/subscribers/senders/" + id;
        assertThat(owner.form(page, page + "/first-line", "firstLine", "Name;Phone")
                        .body())
                .contains("Choose the column for the e-mail address.");
        assertThat(owner.form(page, page + "/first-line", "firstLine", "\"Email Address\",Tags,Opt-in time,Notes")
                        .body())
                .contains("Email Address", "Opt-in time", "Notes");
        owner.form(
                page,
                page,
                "heading",
                "Email Address",
                "field",
                "email",
                "heading",
                "Tags",
                "field",
                "labels",
                "heading",
                "Notes",
                "field",
                "nothing",
                "dates",
                "day",
                "separator",
                "|");
        String csv = new String(owner.bytes(owner.request("/subscribers/for/" + id + ".csv")), StandardCharsets.UTF_8);
        assertThat(csv.lines()).containsExactly("\uFEFFEmail Address,Tags,Notes", "ada@reed.example,Spring|Tides,");
        assertThat(http().signIn(tenant("Somebody Else").email())
                        .get("/subscribers/for/" + id + ".csv")
                        .statusCode())
                .isEqualTo(404);
    }

    @Test
    void labels_are_given_to_many_and_taken_again() {
        UUID kit = add("Kit");
        join(kit, ADA);
        join(kit, "bo@reed.example");
        List<String> all = in(
                tenant,
                () -> jdbc.sql("select id::text from subscriber order by email")
                        .query(String.class)
                        .list());
        owner.form(
                "/subscribers",
                "/subscribers/label",
                "subscriber",
                all.get(0),
                "subscriber",
                all.get(1),
                "given",
                "Kit");
        assertThat(owner.get("/subscribers?label=Kit").body()).contains("2 subscribers<");
        owner.form("/subscribers", "/subscribers/label", "subscriber", all.get(0), "given", "Kit", "what", "take");
        assertThat(owner.get("/subscribers?label=Kit").body()).contains("1 subscriber<", "bo@reed.example");
        owner.form("/subscribers", "/subscribers/label", "subscriber", all.get(0), "given", "x".repeat(60));
        assertThat(owner.get("/subscribers").body()).contains("At most 10 labels of 40 characters.");
    }
}

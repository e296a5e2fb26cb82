package wendo.app.audience.mailings;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.mail.internet.MimeMessage;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.TestMailing;
import wendo.app.TestPost;
import wendo.app.WendoTest;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.consent.Withdrawal;
import wendo.core.handover.SendingHours;

/** A mailing from the audience to what it brought: whom it goes to, whom not, at most once each, also when things fail. */
class MailingTest extends WendoTest {
    private static final int PEOPLE = 40;

    @Autowired
    private Mailings mailings;

    @Autowired
    private MailingCosts costs;

    @Autowired
    private Businesses businesses;

    @Autowired
    private Consents consents;

    private Tenant tenant;
    private Http owner;
    private String link;
    private String slug;
    private String audience;
    private TestMailing setting;

    @BeforeEach
    void open() {
        tenant = tenant("Sandpiper Sails");
        owner = http().signIn(tenant.email());
        slug = http().issue(tenant.apiKey(), "https://sandpiper.example/", "Spring", "Texts")
                .get(0);
        link = in(
                        tenant,
                        () -> jdbc.sql("select id from link").query(UUID.class).single())
                .toString();
        in(tenant, () -> {
            businesses.changeSendingHours(EditedVersion.any(), hours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT));
            return tenant;
        });
        setting = new TestMailing(owner, link);
        setting.list(IntStream.range(0, PEOPLE).mapToObj(this::email).toList());
        await("everybody is known", () -> count(tenant, "select count(*) from audience_contact") == PEOPLE);
        audience = setting.audience();
    }

    private String email(int i) {
        return "p%d.%s@post.example".formatted(i, tenant.id().value().toString().substring(0, 8));
    }

    private static SendingHours hours(LocalTime from, LocalTime until) {
        return new SendingHours(LocalTime.of(17, 0), from, until, ZoneId.of("Europe/London"));
    }

    private String draft(String... more) {
        Map<String, String> fields = new LinkedHashMap<>(Map.of(
                "name",
                "Come back",
                "road",
                "email",
                "link",
                link,
                "subject",
                "Hello {name|there}",
                "body",
                "Back? {link}",
                "perMinute",
                "6000",
                "heldOut",
                "25"));
        for (int i = 0; i < more.length; i += 2) {
            fields.put(more[i], more[i + 1]);
        }
        return setting.draft(audience, fields);
    }

    private long inState(String mailing, String state) {
        return count(
                tenant,
                "select count(*) from mailing_message where mailing_id = '%s' and state = '%s'"
                        .formatted(mailing, state));
    }

    private void start(String mailing) {
        String page = "/audiences/mailings/" + mailing;
        owner.form(page, page + "/start");
        owner.form(page, page + "/start"); // pressed twice
    }

    private List<Integer> written() {
        return IntStream.range(0, PEOPLE)
                .filter(i -> !TestPost.instance().mailTo(email(i)).isEmpty())
                .boxed()
                .toList();
    }

    @Test
    void everybody_but_those_held_out_is_written_to_once_and_what_it_brought_stands_beside_them() throws Exception {
        String mailing = draft();
        start(mailing);
        await("it is sent", () -> count(tenant, "select count(*) from mailing where state = 'sent'") == 1);
        await("thirty have left", () -> written().size() == 30);
        assertThat(inState(mailing, "held-out")).isEqualTo(10);
        Set<String> links = new HashSet<>();
        for (int i : written()) {
            List<MimeMessage> mails = TestPost.instance().mailTo(email(i));
            assertThat(mails).as("mails to person %d", i).hasSize(1);
            MimeMessage mail = mails.get(0);
            assertThat(mail.getSubject()).isEqualTo("Hello Person " + i);
            assertThat(mail.getHeader("List-Unsubscribe-Post", null)).isEqualTo("List-Unsubscribe=One-Click");
            assertThat(mail.getHeader("List-Unsubscribe", null)).matches("<http.*/t/stop/[0-9a-f-]{36}>");
            assertThat(mail.getHeader("List-Id", null)).matches("Sandpiper Sails <news\\.sandpiper-sails\\..+>");
            links.add(mail.getContent().toString().replaceFirst("(?s)^Back\\? (\\S+).*$", "$1"));
        }
        assertThat(links).hasSize(30);
        String code = links.iterator().next().replaceFirst("^.*/", "");
        http().visit(tenant.host(), slug + "/" + code);
        int booked = written().get(0);
        http().post(tenant.apiKey(), "/api/v1/outcomes", """
                {"kind": "booking", "reference": "B-1", "value": "80.00", "email": "%s"}""".formatted(email(booked)));
        await(
                "the tap is known",
                () -> owner.get("/audiences/mailings/" + mailing)
                        .body()
                        .replaceAll("\\s+", " ")
                        .contains("Tapped</dt><dd>1</dd>"));
        assertThat(owner.get("/audiences/mailings/" + mailing).body())
                .contains("1 of 30 people written to (3.3%), 0 of 10 held out (0.0%).", "Too early to say");
    }

    @Test
    void what_it_brought_in_stands_beside_what_came_from_those_held_out() {
        String mailing = draft("heldOut", "50");
        start(mailing);
        await("it is sent", () -> count(tenant, "select count(*) from mailing where state = 'sent'") == 1);
        await("twenty have left", () -> written().size() == 20);
        List<Integer> written = written();
        List<Integer> heldOut = IntStream.range(0, PEOPLE)
                .boxed()
                .filter(i -> !written.contains(i))
                .toList();
        for (int i = 0; i < 12; i++) {
            book("W-" + i, written.get(i), 80 + i);
        }
        assertThat(owner.get("/audiences/mailings/" + mailing).body())
                .contains("£51.30 a person written to, £0.00 a person held out. Until 5 in each group have paid");
        for (int i = 0; i < 5; i++) {
            book("H-" + i, heldOut.get(i), 20 + i);
        }
        String page = owner.get("/audiences/mailings/" + mailing).body();
        assertThat(page)
                .contains(
                        "£51.30 a person written to, £5.50 a person held out",
                        "more than would have come anyway (95%:");
    }

    private void book(String reference, int person, int pounds) {
        http().post(tenant.apiKey(), "/api/v1/outcomes", """
                {"kind": "booking", "reference": "%s", "value": "%d.00", "email": "%s"}""".formatted(reference, pounds, email(person)));
    }

    @Test
    void a_text_says_what_it_costs_before_it_goes_out() {
        String page = "/audiences/" + audience + "/mailings/new";
        String[] text = {"name", "x", "road", "text", "link", link, "body", "Back? {link}", "heldOut", "0", "op", "look"
        };
        String[] priced =
                Stream.concat(Stream.of(text), Stream.of("price", "0.043")).toArray(String[]::new);
        assertThat(owner.form(page, page, text).body())
                .contains("1 segment each")
                .doesNotContain("About £");
        assertThat(owner.form(page, page, priced).body()).contains("1 segment each", "About £0.00");
        String wrong = owner.form(page, page, "road", "text", "price", "a lot").body();
        assertThat(wrong).contains("value=\"a lot\"", "Enter an amount in GBP");
    }

    @Test
    void whoever_withdraws_meanwhile_gets_nothing_and_a_week_is_left_between_two() {
        String first = draft("perMinute", "1", "heldOut", "0");
        start(first);
        await("one has left", () -> written().size() == 1);
        String page = "/audiences/mailings/" + first;
        owner.form(page, page + "/pause");
        int gone = IntStream.range(0, PEOPLE)
                .filter(i -> !written().contains(i))
                .findFirst()
                .orElseThrow();
        in(tenant, () -> {
            consents.withdraw(email(gone), Withdrawal.OFFICE, "Test");
            return jdbc.sql("update mailing set per_minute = 6000").update();
        });
        owner.form(page, page + "/resume");
        await("the others have left", () -> written().size() == PEOPLE - 1);
        await("it is sent", () -> count(tenant, "select count(*) from mailing where state = 'sent'") == 1);
        assertThat(written()).doesNotContain(gone);
        String second = draft("heldOut", "0", "spares", "yes");
        start(second);
        await("it is over", () -> count(tenant, "select count(*) from mailing where state = 'sent'") == 2);
        assertThat(count(tenant, "select spared from mailing where id = '%s'".formatted(second)))
                .isEqualTo(PEOPLE - 1);
        assertThat(count(tenant, "select count(*) from mailing_message where mailing_id = '%s'".formatted(second)))
                .isZero();
    }

    /** Else the second would reach more of those held out of the first than of those it wrote to. */
    @Test
    void who_was_held_out_this_week_is_spared_like_who_was_written_to() {
        start(draft());
        await("it is sent", () -> count(tenant, "select count(*) from mailing where state = 'sent'") == 1);
        String second = draft("spares", "yes");
        start(second);
        await("it is over", () -> count(tenant, "select count(*) from mailing where state = 'sent'") == 2);
        assertThat(count(tenant, "select spared from mailing where id = '%s'".formatted(second)))
                .isEqualTo(PEOPLE);
    }

    @Test
    void what_texts_cost_is_entered_as_spend_once() {
        UUID mailing = UUID.fromString(draft("road", "text", "price", "0.05"));
        enterCost(mailing);
        assertThat(count(tenant, "select count(*) from spend")).as("a draft").isZero();
        in(
                tenant,
                () -> jdbc.sql("update mailing set state = 'sent', started_at = now()")
                        .update());
        enterCost(mailing);
        enterCost(mailing);
        assertThat(count(
                        tenant,
                        "select count(*) from spend where amount_minor = 340 and link_id = '%s'".formatted(link)))
                .isEqualTo(1);
        assertThat(count(tenant, "select count(*) from spend")).isEqualTo(1);
        assertThat(owner.get("/audiences/mailings/" + mailing).body()).contains("Entered as");
        owner.form("/audiences/mailings/" + mailing, "/audiences/mailings/" + mailing + "/cost");
        assertThat(count(tenant, "select count(*) from spend")).isEqualTo(1);
    }

    private void enterCost(UUID mailing) {
        in(tenant, () -> {
            costs.enter(mailing, 340, LocalDate.of(2026, 5, 3), "Mia");
            return mailing;
        });
    }

    @Test
    void an_address_that_a_mail_came_back_from_is_written_to_no_more() {
        String mailing = draft("heldOut", "0");
        start(mailing);
        await("all have left", () -> written().size() == PEOPLE);
        List<UUID> messages = in(
                tenant,
                () -> jdbc.sql("select id from outgoing where purpose = 'mailing' order by recipient")
                        .query(UUID.class)
                        .list());
        assertThat(returned("wrong", messages.get(0)).statusCode()).isEqualTo(401);
        assertThat(returned(TestPost.GATEWAY_KEY, messages.get(0)).statusCode()).isEqualTo(204);
        assertThat(returned(TestPost.GATEWAY_KEY, UUID.randomUUID()).statusCode())
                .isEqualTo(204);
        String lost = in(
                tenant,
                () -> jdbc.sql("select contact from unreachable")
                        .query(String.class)
                        .single());
        assertThat(count(
                        tenant,
                        "select count(*) from outgoing where state = 'failed' and recipient = '%s'".formatted(lost)))
                .isEqualTo(1);
        await(
                "one fewer can be reached",
                () -> owner.get("/audiences/" + audience)
                        .body()
                        .replaceAll("\\s+", " ")
                        .contains("By e-mail</dt><dd>39</dd>"));
    }

    private HttpResponse<String> returned(String key, UUID message) {
        String mail = """
                Content-Type: multipart/report; report-type=delivery-status; boundary="B"

                --B
                Content-Type: message/delivery-status

                Reporting-MTA: dns; mx.post.example

                Final-Recipient: rfc822; somebody@post.example
                Action: failed
                Status: 5.1.1

                --B
                Content-Type: text/rfc822-headers

                Message-ID: <%s@marrampoint.example>

                --B--
                """.formatted(message);
        return http().send(http().request("/t/mail/returned")
                .header("Content-Type", "message/rfc822")
                .header("Authorization", "Bearer " + key)
                .POST(HttpRequest.BodyPublishers.ofString(mail)));
    }

    @Test
    void of_two_who_write_the_same_mailing_the_later_is_told_also_after_a_look_at_it() {
        String edit = "/audiences/mailings/" + draft() + "/edit";
        String shown = owner.get(edit).body().replaceFirst("(?s)^.*name=\"version\" value=\"(\\d+)\".*$", "$1");
        String[] mine = {"version", shown, "name", "Mine", "link", link, "subject", "Hi", "body", "{link}"};
        owner.form(edit, edit, "version", shown, "name", "Theirs", "link", link, "subject", "Hi", "body", "{link}");
        String[] look = Arrays.copyOf(mine, mine.length + 2);
        look[mine.length] = "op";
        look[mine.length + 1] = "look";
        assertThat(owner.form(edit, edit, look).body()).contains("name=\"version\" value=\"" + shown + "\"");
        HttpResponse<String> told = owner.form(edit, edit, mine);
        assertThat(told.statusCode()).isEqualTo(409);
        assertThat(told.body()).contains("value=\"Mine\"", "Theirs");
    }

    @Test
    void two_processes_that_fail_at_random_hand_on_everybody_once() throws Exception {
        String mailing = draft("heldOut", "0", "perMinute", "3000");
        UUID id = UUID.fromString(mailing);
        in(tenant, () -> {
            mailings.start(id);
            mailings.prepare(id);
            return id;
        });
        Random random = new Random(8);
        ExecutorService two = Executors.newFixedThreadPool(2);
        try {
            for (int round = 0; inState(mailing, "waiting") > 0; round++) {
                boolean fails = random.nextBoolean();
                Callable<Boolean> hand = () -> {
                    try {
                        return in(tenant, () -> {
                            mailings.handOn(id);
                            if (fails) {
                                throw new IllegalStateException("the process died");
                            }
                            return true;
                        });
                    } catch (IllegalStateException e) {
                        return false;
                    }
                };
                for (Future<Boolean> one : two.invokeAll(List.of(hand, hand))) {
                    one.get();
                }
            }
        } finally {
            two.shutdownNow();
        }
        assertThat(inState(mailing, "handed")).isEqualTo(PEOPLE);
        assertThat(count(tenant, "select count(*) from outgoing where purpose = 'mailing'"))
                .isEqualTo(PEOPLE);
        assertThat(count(tenant, "select count(distinct recipient) from outgoing where purpose = 'mailing'"))
                .isEqualTo(PEOPLE);
    }

    @Test
    void nothing_goes_out_in_quiet_hours_and_a_refused_form_keeps_what_was_typed() {
        LocalTime now = LocalTime.now(ZoneId.of("Europe/London"));
        in(tenant, () -> {
            businesses.changeSendingHours(EditedVersion.any(), hours(now.minusHours(1), now.plusHours(1)));
            return tenant;
        });
        String mailing = draft();
        start(mailing);
        await("it is prepared", () -> inState(mailing, "waiting") == 30);
        in(tenant, () -> {
            mailings.handOn(UUID.fromString(mailing));
            return mailing;
        });
        assertThat(inState(mailing, "waiting")).isEqualTo(30);
        assertThat(owner.get("/audiences/mailings/" + mailing).body())
                .contains("Waits for the end of your quiet hours");
        String path = "/audiences/" + audience + "/mailings/new";
        HttpResponse<String> refused =
                owner.form(path, path, "name", "Kept", "body", "{colour} {name}", "heldOut", "90");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body())
                .contains(
                        "value=\"Kept\"",
                        "{colour} {name}",
                        "Enter a whole number from 0 to 50.",
                        "An e-mail needs a subject.",
                        "Choose the link that the message carries.",
                        "Say what stands where no name is known");
    }
}

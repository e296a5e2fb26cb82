package wendo.app.lead.handover;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.mail.internet.MimeMessage;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.TestPost;
import wendo.app.WendoTest;
import wendo.app.lead.leads.Leads;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;

class HandoverTest extends WendoTest {
    private static final ZoneId LONDON = ZoneId.of("Europe/London");

    @Autowired
    private Accounts accounts;

    @Autowired
    private Leads leadsKept;

    private final TestPost post = TestPost.instance();
    private Tenant tenant;
    private Http person;
    private String slug;
    private int leads;

    @BeforeEach
    void open() {
        tenant = tenant("Plover Pilots");
        person = http().signIn(tenant.email());
        slug = http().issue(tenant.apiKey(), "https://plover.example/", "Spring", "Postcards")
                .get(0);
        in(
                tenant,
                () -> jdbc.sql("update business set cut_off = '23:59:59', quiet_from = '08:00', quiet_until = '08:00'")
                        .update());
        await("the link is known", () -> http().visit(tenant.host(), slug).statusCode() == 302);
    }

    private String unique(String name) {
        return name + "-" + tenant.id().value().toString().substring(0, 8);
    }

    private String number() {
        return "+4477009"
                + String.format(
                        Locale.ROOT, "%05d", Math.floorMod(tenant.id().value().hashCode(), 100000));
    }

    private String all() {
        return "/setup/handovers/business/" + tenant.id().value();
    }

    private void hand(String... fields) {
        HttpResponse<String> kept = person.form(all(), all(), fields);
        assertThat(kept.statusCode()).as(kept.body()).isEqualTo(302);
    }

    private String plan(String... fields) {
        HttpResponse<String> made = person.form("/setup/follow-up/new", "/setup/follow-up/new", fields);
        assertThat(made.statusCode()).as(made.body()).isEqualTo(302);
        return made.headers().firstValue("Location").orElseThrow().replaceFirst(".*/", "");
    }

    /** A lead that came by the link. */
    private String lead(String email, String phone) {
        String click = Http.click(http().visit(tenant.host(), slug));
        HttpResponse<String> answer =
                http().post(tenant.apiKey(), "/api/v1/outcomes", """
                {"kind": "lead", "reference": "L-%d", "clickId": "%s", "name": "Ines Marsh", "email": "%s", "phone": "%s"}
                """.formatted(++leads, click, email, phone));
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(201);
        String id = Http.json(answer).get("id").asString();
        await(
                "it is handed over",
                () -> count(
                                tenant,
                                "select count(*) from lead where handed_at is not null and outcome_id = '" + id + "'")
                        == 1);
        return id;
    }

    private List<String> states(String lead) {
        return in(
                tenant,
                () -> jdbc.sql("select state from outgoing where lead_id = ? and purpose = 'plan' order by place")
                        .param(UUID.fromString(lead))
                        .query(String.class)
                        .list());
    }

    private void news(String id, String event, String text) {
        HttpResponse<String> answer = http().send(http().request("/t/messages/news")
                .header("Content-Type", "application/json")
                .header("Authorization", "Bearer " + TestPost.GATEWAY_KEY)
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"id\": \"%s\", \"event\": \"%s\", \"text\": \"%s\"}".formatted(id, event, text))));
        assertThat(answer.statusCode()).isEqualTo(204);
    }

    @Test
    void an_alert_counts_the_leads_of_the_day_on_which_its_lead_came() throws Exception {
        hand("ownerIs", "issuer", "alerts", "yes");
        in(
                tenant,
                () -> jdbc.sql("update link set owner_id = (select person_id from membership limit 1)")
                        .update());
        LocalDate yesterday = LocalDate.now(LONDON).minusDays(1);
        String click = Http.click(http().visit(tenant.host(), slug));
        for (String at : List.of("00:00", "09:30", "18:00")) {
            String when = yesterday
                    .atTime(LocalTime.parse(at))
                    .atZone(LONDON)
                    .toOffsetDateTime()
                    .toString();
            assertThat(http().post(tenant.apiKey(), "/api/v1/outcomes", """
                    {"kind": "lead", "reference": "%s", "clickId": "%s", "name": "At %s", "occurredAt": "%s"}
                    """.formatted("Y-" + at, click, at, when))
                            .statusCode())
                    .isEqualTo(201);
            await("the owner is told", () -> subjects().stream().anyMatch(one -> one.endsWith("At " + at)));
        }
        String day = DateTimeFormatter.ofPattern("d MMM", Locale.UK).format(yesterday);
        assertThat(subjects())
                .containsExactly(
                        "Lead 1 of " + day + ": At 00:00",
                        "Lead 2 of " + day + ": At 09:30",
                        "Lead 3 of " + day + ": At 18:00");
    }

    private List<String> subjects() {
        return post.mailTo(tenant.email()).stream().map(HandoverTest::subject).toList();
    }

    private static String subject(MimeMessage mail) {
        try {
            return mail.getSubject();
        } catch (jakarta.mail.MessagingException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void a_lead_goes_to_its_owner_with_labels_a_note_an_alert_and_a_first_mail() throws Exception {
        String plan = plan(
                "name",
                "Group days",
                "kind.0",
                "email",
                "subject.0",
                "Hello {first name|sailor}",
                "body.0",
                "We saw you came by {source}.",
                "kind.1",
                "task",
                "body.1",
                "Ring {name}",
                "days.1",
                "1");
        hand(
                "ownerIs",
                "issuer",
                "alerts",
                "yes",
                "labels",
                "group, warm",
                "note",
                "Came by {source} in {campaign}.",
                "partner",
                unique("desk") + "@camp.example",
                "plan",
                plan);
        in(
                tenant,
                () -> jdbc.sql("update link set owner_id = (select person_id from membership limit 1)")
                        .update());
        String ines = unique("ines") + "@marsh.example";
        String id = lead(ines, "");
        await("the mail arrives", () -> post.mailTo(ines).size() == 1);
        MimeMessage mail = post.mailTo(ines).get(0);
        assertThat(mail.getSubject()).isEqualTo("Hello Ines");
        assertThat(mail.getFrom()[0].toString()).isEqualTo("Plover Pilots <wendo@localhost>");
        assertThat(mail.getContent().toString())
                .contains("We saw you came by Postcards.", "No more messages like this: ");
        assertThat(mail.getHeader("List-Unsubscribe-Post")[0]).isEqualTo("List-Unsubscribe=One-Click");
        await("the owner is told", () -> post.mailTo(tenant.email()).size() == 1);
        assertThat(post.mailTo(tenant.email()).get(0).getSubject()).isEqualTo("Lead 1 of today: Ines Marsh");
        await(
                "the partner is told",
                () -> post.mailTo(unique("desk") + "@camp.example").size() == 1);
        String page = person.get("/leads/" + id).body();
        assertThat(page)
                .contains(
                        "owner: Ola Ness",
                        "group",
                        "Came by Postcards in Spring.",
                        "Ring Ines Marsh",
                        "by Postcards",
                        "Hello Ines");
        assertThat(person.get("/leads?whose=mine").body()).contains("Ines Marsh");
        assertThat(count(tenant, "select count(*) from outgoing")).isEqualTo(3);
    }

    @Test
    void texts_go_to_the_gateway_and_an_answer_ends_the_follow_up() {
        hand(
                "ownerIs",
                "none",
                "plan",
                plan(
                        "name",
                        "Texts",
                        "kind.0",
                        "text",
                        "body.0",
                        "Hello {first name|there}",
                        "kind.1",
                        "text",
                        "body.1",
                        "Still there?",
                        "days.1",
                        "2"));
        String id = lead("", number());
        await("the text arrives", () -> post.textsTo(number()).size() == 1);
        assertThat(post.textsTo(number()).get(0).get("text").asString()).isEqualTo("Hello Ines");
        await("it is kept as sent", () -> states(id).equals(List.of("sent", "waiting")));
        String message = post.textsTo(number()).get(0).get("id").asString();
        news(message, "delivered", "");
        assertThat(states(id)).containsExactly("delivered", "waiting");
        news(message, "replied", "Yes, for twelve");
        await("the follow-up ends", () -> states(id).equals(List.of("delivered", "stopped")));
        assertThat(person.get("/leads/" + id).body())
                .contains("Yes, for twelve", "They answered. 1 message of the follow-up not sent.");
    }

    @Test
    void whoever_wants_no_more_gets_none_now_or_later() {
        hand(
                "ownerIs",
                "none",
                "plan",
                plan(
                        "name",
                        "Mails",
                        "kind.0",
                        "email",
                        "subject.0",
                        "One",
                        "body.0",
                        "one",
                        "kind.1",
                        "email",
                        "subject.1",
                        "Two",
                        "body.1",
                        "two",
                        "days.1",
                        "3"));
        String ines = unique("out") + "@marsh.example";
        String id = lead(ines, "");
        await("the first arrives", () -> states(id).equals(List.of("sent", "waiting")));
        String message = in(
                tenant,
                () -> jdbc.sql("select id::text from outgoing where place = 0")
                        .query(String.class)
                        .single());
        assertThat(http().get("/t/stop/" + message).body()).contains("Stop these messages?", "Plover Pilots");
        assertThat(states(id)).as("opening it stops nothing").containsExactly("sent", "waiting");
        http().send(http().request("/t/stop/" + message).POST(HttpRequest.BodyPublishers.noBody()));
        await("the second is stopped", () -> states(id).equals(List.of("sent", "stopped")));
        String again = lead(ines, "");
        assertThat(states(again)).isEmpty();
        assertThat(person.get("/leads/" + again).body()).contains("they want no more messages");
        assertThat(http().get("/t/stop/" + UUID.randomUUID()).statusCode()).isEqualTo(404);
    }

    @Test
    void a_booking_of_the_same_person_wins_the_lead_and_ends_its_follow_up() {
        hand(
                "ownerIs",
                "none",
                "plan",
                plan("name", "Later", "kind.0", "email", "subject.0", "One", "body.0", "one", "days.0", "1"));
        String ines = unique("book") + "@marsh.example";
        String id = lead(ines, "");
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"booking\", \"reference\": \"B-1\", \"value\": 80, \"email\": \"%s\"}"
                                .formatted(ines));
        await("the follow-up ends", () -> states(id).equals(List.of("stopped")));
        assertThat(person.get("/leads/" + id).body()).contains("this booking or purchase", "<strong>won</strong>");
        await(
                "the origin goes along",
                () -> count(
                                tenant,
                                "select count(*) from credit c join outcome o on o.id = c.outcome_id where o.reference = 'B-1'")
                        == 1);
    }

    @Test
    void what_was_lost_in_sending_never_goes_out_twice() {
        hand(
                "ownerIs",
                "none",
                "plan",
                plan(
                        "name",
                        "Both",
                        "kind.0",
                        "email",
                        "subject.0",
                        "One",
                        "body.0",
                        "one",
                        "kind.1",
                        "text",
                        "body.1",
                        "two"));
        String ines = unique("lost") + "@marsh.example";
        String id = lead(ines, number());
        await("both go out", () -> states(id).equals(List.of("sent", "sent")));
        in(
                tenant,
                () -> jdbc.sql(
                                "update outgoing set state = 'sending', claimed_at = now() - interval '10 minutes' where purpose = 'plan'")
                        .update());
        await("both are found", () -> states(id).equals(List.of("unsure", "sent")));
        assertThat(post.mailTo(ines)).hasSize(1);
        assertThat(post.textsTo(number()))
                .as("the gateway knows it by its id")
                .hasSize(2)
                .extracting(text -> text.get("id").asString())
                .containsOnly(post.textsTo(number()).get(0).get("id").asString());
        assertThat(person.get("/leads/" + id).body()).contains("it may have arrived, and is not sent again");
    }

    @Test
    void a_long_message_in_a_note_or_a_task_keeps_no_lead_from_being_handed_over() {
        String plan = plan("name", "Long", "kind.0", "task", "body.0", "Ring: {message}");
        hand("ownerIs", "none", "note", "They said: {message}", "plan", plan);
        String said = "x".repeat(1000);
        http().post(tenant.apiKey(), "/api/v1/outcomes", """
                {"kind": "lead", "reference": "L-9", "email": "%s", "note": "%s"}
                """.formatted(unique("long") + "@marsh.example", said));
        await("it is handed over", () -> count(tenant, "select count(*) from lead where handed_at is not null") == 1);
        assertThat(count(tenant, "select length(note) from lead")).isEqualTo(1000);
        assertThat(count(tenant, "select length(text) from lead_task")).isEqualTo(400);
    }

    @Test
    void a_number_that_the_gateway_refuses_fails_with_a_word() {
        post.answer(number(), 422);
        hand("ownerIs", "none", "plan", plan("name", "T", "kind.0", "text", "body.0", "Hello"));
        String id = lead("", number());
        await("it fails", () -> states(id).equals(List.of("failed")));
        assertThat(person.get("/leads/" + id).body()).contains("The text gateway refused it (422). Check the number.");
    }

    @Test
    void a_round_gives_leads_in_turn_by_weight_and_the_narrowest_handover_counts() {
        String tomas = in(tenant, () -> {
            UUID id = accounts.register(unique("tomas") + "@plover.example", "Tomas Reed", PASSWORD);
            accounts.join(id, Role.STAFF);
            return id.toString();
        });
        String ola = in(
                tenant,
                () -> jdbc.sql("select p.id::text from person p where p.email = ?")
                        .param(tenant.email())
                        .query(String.class)
                        .single());
        String round = person.form("/setup/handovers", "/setup/rounds", "name", "The office")
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceFirst(".*/", "");
        String page = "/setup/rounds/" + round;
        assertThat(person.form(page, page, "weight." + ola, "11").body())
                .contains("A weight is a whole number, 1 to 10.");
        person.form(page, page, "weight." + ola, "2", "weight." + tomas, "1");
        hand("ownerIs", "round", "round", round);
        for (int i = 0; i < 6; i++) {
            lead(unique("l" + i) + "@marsh.example", "");
        }
        assertThat(count(tenant, "select count(*) from lead where owner_id = '" + ola + "'"))
                .isEqualTo(4);
        assertThat(count(tenant, "select count(*) from lead where owner_id = '" + tomas + "'"))
                .isEqualTo(2);
        String source = in(
                tenant,
                () -> jdbc.sql("select id::text from source")
                        .query(String.class)
                        .single());
        String narrow = "/setup/handovers/source/" + source;
        person.form(narrow, narrow, "ownerIs", "person", "person", tomas);
        lead(unique("narrow") + "@marsh.example", "");
        assertThat(count(tenant, "select count(*) from lead where owner_id = '" + tomas + "'"))
                .isEqualTo(3);
        Http staff = http().signIn(unique("tomas") + "@plover.example");
        assertThat(staff.form("/leads", narrow, "ownerIs", "none").statusCode()).isEqualTo(403);
    }

    @Test
    void a_lead_moves_on_through_its_stages_and_says_why_it_was_lost() {
        String id = lead(unique("stage") + "@marsh.example", "");
        String page = "/leads/" + id;
        assertThat(person.form(page, page + "/stage", "stage", "quoted", "quoted", "much")
                        .body())
                .contains("Enter an amount in GBP", "value=\"much\"");
        person.form(page, page + "/stage", "stage", "quoted", "quoted", "£1,250");
        assertThat(person.get(page).body()).contains("quoted £1,250.00");
        assertThat(person.form(page, page + "/stage", "stage", "lost").body()).contains("Give a reason in a few words");
        person.form(page, page + "/stage", "stage", "lost", "reason", "Too far");
        assertThat(person.get(page).body()).contains(": Too far", "Ola Ness");
        person.form(page, page + "/tasks", "task", "Ring", "due", "2026-12-01T10:00");
        assertThat(person.form(page, page + "/tasks", "task", "Ring", "due", "soon")
                        .statusCode())
                .isEqualTo(422);
        String task = in(
                tenant,
                () -> jdbc.sql("select id::text from lead_task")
                        .query(String.class)
                        .single());
        person.form(page, page + "/tasks/" + task);
        assertThat(person.get(page).body()).contains("by Ola Ness");
        assertThat(http().signIn(tenant("Others").email()).get(page).statusCode())
                .isEqualTo(404);
    }

    @Test
    void a_plan_that_cannot_be_says_what_is_wrong_and_keeps_what_was_typed() {
        HttpResponse<String> wrong = person.form(
                "/setup/follow-up/new",
                "/setup/follow-up/new",
                "name",
                "",
                "kind.0",
                "email",
                "body.0",
                "Hello {nam}",
                "days.0",
                "400",
                "kind.1",
                "text",
                "body.1",
                "thank you for asking about {items}.");
        assertThat(wrong.statusCode()).isEqualTo(422);
        assertThat(wrong.body())
                .contains(
                        "Name the plan.",
                        "An e-mail needs a subject.",
                        "There is no field {nam}.",
                        "Days are 0 to 365",
                        "{items} can be empty. Add a fallback",
                        "Hello {nam}");
        assertThat(person.form(all(), all(), "ownerIs", "person", "partner", "nobody", "note", "{x}")
                        .body())
                .contains(
                        "Choose somebody who works here.", "This is not an e-mail address.", "There is no field {x}.");
        assertThat(person.form("/setup/handovers", "/setup/handovers/hours", "cutOff", "late")
                        .body())
                .contains("Write times like 17:00.");
    }

    @Test
    void whoever_asks_twice_or_is_entered_by_others_is_written_to_once() {
        hand(
                "ownerIs",
                "none",
                "plan",
                plan("name", "First", "kind.0", "email", "subject.0", "Hello", "body.0", "Hello", "days.0", "1"));
        String ines = unique("ines") + "@marsh.example";
        assertThat(states(lead(ines, ""))).containsExactly("waiting");
        String second = lead(ines, "");
        assertThat(states(second)).isEmpty();
        assertThat(person.get("/leads/" + second).body())
                .contains("Step 1 of the follow-up was left out: a follow-up to " + ines);
        in(
                tenant,
                () -> jdbc.sql("update outgoing set kept_at = kept_at - interval '8 days'")
                        .update());
        assertThat(states(lead(ines, ""))).as("a week later").containsExactly("waiting");
    }

    @Test
    void a_flood_of_leads_is_taken_but_not_written_to() {
        hand(
                "ownerIs",
                "none",
                "plan",
                plan("name", "First", "kind.0", "email", "subject.0", "Hello", "body.0", "Hello", "days.0", "1"));
        int all = FollowUp.PLANS_AN_HOUR + 3;
        String reports = java.util.stream.IntStream.range(0, all)
                .mapToObj(i -> "{\"kind\": \"lead\", \"reference\": \"L-%d\", \"email\": \"a%d@marsh.example\"}"
                        .formatted(i, i))
                .collect(java.util.stream.Collectors.joining(","));
        http().post(tenant.apiKey(), "/api/v1/outcomes/batch", "{\"outcomes\": [" + reports + "]}");
        await(
                "all are handed over",
                () -> count(tenant, "select count(*) from lead where handed_at is not null") == all);
        assertThat(count(tenant, "select count(*) from outgoing where purpose = 'plan'"))
                .isEqualTo(FollowUp.PLANS_AN_HOUR);
        assertThat(count(tenant, "select count(*) from lead_event where said like '%more than 200 leads came%'"))
                .isEqualTo(3);
    }

    @Test
    void a_lead_that_cannot_be_handed_over_keeps_no_other_waiting() {
        String bad = lead("a@marsh.example", "");
        String good = lead("b@marsh.example", "");
        // Out of the application's own reach: tried an hour from now.
        in(
                tenant,
                () -> jdbc.sql("update lead set handed_at = null, tried_at = now() + interval '1 hour'")
                        .update());
        LeadAssigner handing = org.mockito.Mockito.mock(LeadAssigner.class);
        org.mockito.Mockito.doThrow(new IllegalStateException("no such plan"))
                .when(handing)
                .hand(UUID.fromString(bad));
        Clock later = Clock.offset(Clock.systemUTC(), Duration.ofHours(2));
        new HandoverJob(jdbc, scope, leadsKept, handing, later).handWaiting();
        org.mockito.Mockito.verify(handing).hand(UUID.fromString(good));
        assertThat(count(tenant, "select count(*) from lead where handed_at is not null"))
                .isOne();
        assertThat(count(tenant, "select count(*) from lead where tried_at < now() + interval '30 minutes'"))
                .isOne();
    }
}

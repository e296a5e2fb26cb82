package wendo.app.credit;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.site.Texts;
import wendo.core.credit.ModelName;

class TrailsTest extends WendoTest {
    @Autowired
    private CreditRecalculation anew;

    @Autowired
    private CreditEditions editions;

    private Tenant tenant;
    private List<String> slugs;
    private Http person;

    @BeforeEach
    void issue() {
        tenant = tenant("Dunlin Dinghies");
        slugs = http().issue(tenant.apiKey(), "https://dunlin.example/", "Spring", "Postcards", "Campsite", "Radio");
        person = http().signIn(tenant.email());
        await(
                "the links are known",
                () -> http().visit(tenant.host(), slugs.get(2)).statusCode() == 302);
    }

    /** Comes by these links in turn, and says with which click identifier the last one led on. */
    private String come(int... links) {
        Http visitor = http();
        String click = "";
        for (int link : links) {
            click = Http.click(visitor.visit(tenant.host(), slugs.get(link)));
        }
        return click;
    }

    private String report(String kind, String reference, String more) {
        HttpResponse<String> answer = http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"%s\", \"reference\": \"%s\"%s}".formatted(kind, reference, more));
        assertThat(answer.statusCode()).as(answer.body()).isLessThan(300);
        return Http.json(answer).get("id").asString();
    }

    /** Such as "Postcards 400000 400, Radio 600000 600", in the order of the trail, all entries together. */
    private String shares(String reference, ModelName model) {
        return in(
                tenant,
                () -> jdbc.sql("""
                        select coalesce(string_agg(name || ' ' || share || ' ' || minor, ', ' order by touch), 'none') from (
                            select c.touch, coalesce(s.name, 'direct') as name, sum(c.%1$s) as share, sum(c.%2$s) as minor
                            from credit c join outcome o on o.id = c.outcome_id left join source s on s.id = c.source_id
                            where o.reference = ? group by c.touch, s.name having bool_or(c.%1$s <> 0)) shared
                        """.formatted(CreditColumns.share(model), CreditColumns.minor(model)))
                        .param(reference)
                        .query(String.class)
                        .single());
    }

    private void awaitShares(String reference, ModelName model, String expected) {
        try {
            await("credited", () -> shares(reference, model).equals(expected));
        } catch (AssertionError e) {
            assertThat(shares(reference, model)).as(reference).isEqualTo(expected);
        }
    }

    private void makeAnew() {
        person.form("/setup/attribution", "/setup/attribution/anew");
        awaitAnew();
    }

    private void awaitAnew() {
        await(
                "it is made anew",
                () -> in(tenant, () -> editions.find().orElseThrow())
                        .finishedAt()
                        .isPresent());
    }

    @Test
    void every_model_is_stored_and_each_adds_up_to_the_penny() {
        report("booking", "B-1", ", \"value\": \"95.11\", \"clickId\": \"%s\"".formatted(come(0, 1, 2)));
        awaitShares("B-1", ModelName.LAST_TOUCH, "Radio 1000000 9511");
        assertThat(shares("B-1", ModelName.FIRST_TOUCH)).isEqualTo("Postcards 1000000 9511");
        assertThat(shares("B-1", ModelName.LINEAR))
                .isEqualTo("Postcards 333334 3171, Campsite 333333 3170, Radio 333333 3170");
        assertThat(shares("B-1", ModelName.POSITION_BASED))
                .isEqualTo("Postcards 400000 3805, Campsite 200000 1902, Radio 400000 3804");
        for (ModelName model : ModelName.values()) {
            assertThat(count(
                            tenant,
                            "select sum(%s) * 1000000 + sum(%s) from credit"
                                    .formatted(CreditColumns.share(model), CreditColumns.minor(model))))
                    .as(Texts.of("common.model-name", model.name()))
                    .isEqualTo(1_000_000_009_511L);
        }
    }

    @Test
    void a_refund_is_an_entry_of_its_own() {
        report("purchase", "P-2", ", \"value\": 80, \"clickId\": \"%s\"".formatted(come(0, 1)));
        awaitShares("P-2", ModelName.LINEAR, "Postcards 500000 4000, Campsite 500000 4000");
        report("purchase", "P-2", ", \"status\": \"refunded\", \"refunded\": 30.01");
        awaitShares("P-2", ModelName.LINEAR, "Postcards 500000 2500, Campsite 500000 2499");
        report("purchase", "P-2", ", \"status\": \"cancelled\"");
        awaitShares("P-2", ModelName.LINEAR, "Postcards 0 0, Campsite 0 0");
        assertThat(in(
                        tenant,
                        () -> jdbc.sql(
                                        "select entry || ' ' || linear_share || ' ' || linear_minor from credit order by entry, touch")
                                .query(String.class)
                                .list()))
                .containsExactly(
                        "0 500000 4000",
                        "0 500000 4000",
                        "1 0 -1500",
                        "1 0 -1501",
                        "2 -500000 -2500",
                        "2 -500000 -2499");
    }

    @Test
    void a_booking_takes_the_credit_of_its_lead_unless_the_business_wants_it_again() {
        report("lead", "E-1", ", \"email\": \"ines@marsh.example\", \"clickId\": \"%s\"".formatted(come(0)));
        awaitShares("E-1", ModelName.LAST_NON_DIRECT, "Postcards 1000000 0");
        report(
                "booking",
                "B-1",
                ", \"value\": 60, \"email\": \"ines@marsh.example\", \"clickId\": \"%s\"".formatted(come(2)));
        awaitShares("B-1", ModelName.LAST_TOUCH, "Postcards 1000000 6000");
        await("its own visit is stored too, after the one that tried the link", () -> count(tenant, """
                select count(*) from visit v join source s on s.id = v.source_id where s.name = 'Radio'""") == 2);
        assertThat(person.form(
                                "/setup/attribution",
                                "/setup/attribution",
                                "first",
                                "30",
                                "last",
                                "30",
                                "halfLife",
                                "7",
                                "again",
                                "true")
                        .statusCode())
                .isEqualTo(302);
        awaitAnew();
        assertThat(shares("B-1", ModelName.LAST_TOUCH)).isEqualTo("Radio 1000000 6000");
        assertThat(shares("B-1", ModelName.FIRST_TOUCH))
                .as("the two browsers are one person by the address")
                .isEqualTo("Postcards 1000000 6000");
        assertThat(person.get("/setup/attribution").body())
                .contains("Last recalculated on", "Model rules changed", "value=\"30\"");
    }

    /** Somebody may be crediting it just then; of two that meet the database lets one go on. */
    private boolean isLeadTakenBack() {
        try {
            return in(tenant, this::takeLeadBack);
        } catch (ConcurrencyFailureException | DataIntegrityViolationException e) {
            return false;
        }
    }

    private boolean takeLeadBack() {
        editions.lock();
        UUID lead = jdbc.sql("select id from outcome where kind = 'lead'")
                .query(UUID.class)
                .single();
        jdbc.sql("update lead set became_id = null").update();
        for (String rows : List.of(
                "credit_row where outcome_id",
                "trail where outcome_id",
                "outcome_clue where outcome_id",
                "lead_task where lead_id",
                "lead_event where lead_id",
                "lead where outcome_id",
                "outcome where id")) {
            jdbc.sql("delete from " + rows + " = ?").param(lead).update();
        }
        return true;
    }

    @Test
    void a_lead_that_is_taken_back_as_a_whole_leaves_its_booking_to_its_own_trail() {
        report("lead", "E-1", ", \"email\": \"ines@marsh.example\", \"clickId\": \"%s\"".formatted(come(0)));
        awaitShares("E-1", ModelName.LAST_TOUCH, "Postcards 1000000 0");
        String booking = ", \"value\": 60, \"email\": \"ines@marsh.example\", \"clickId\": \"%s\"".formatted(come(2));
        report("booking", "B-1", booking);
        awaitShares("B-1", ModelName.LAST_TOUCH, "Postcards 1000000 6000");
        await(
                "all that was told is done",
                () -> jdbc.sql("select count(*) from event_publication where completion_date is null")
                                .query(Long.class)
                                .single()
                        == 0);
        await("the lead is taken back", this::isLeadTakenBack);
        makeAnew();
        assertThat(shares("B-1", ModelName.LAST_TOUCH)).isEqualTo("Radio 1000000 6000");
    }

    @Test
    void the_trail_tells_who_it_is_and_what_each_touch_earned() {
        String booking = report(
                "booking",
                "B-1",
                ", \"value\": 100, \"email\": \"ines@marsh.example\", \"clickId\": \"%s\"".formatted(come(0, 1, 2)));
        awaitShares("B-1", ModelName.LAST_TOUCH, "Radio 1000000 10000");
        String page = person.get("/outcomes/" + booking + "/trail?model=position-based")
                .body();
        assertThat(page)
                .contains(
                        "ines@marsh.example", "the booking B-1 came with this address", ">20.0%</strong>", ": £40.00");
        assertThat(person.get("/outcomes/" + booking).body()).contains("/outcomes/" + booking + "/trail");
        Tenant other = tenant("Somebody Else");
        assertThat(http().signIn(other.email())
                        .get("/outcomes/" + booking + "/trail")
                        .statusCode())
                .isEqualTo(404);
    }

    @Test
    void two_are_joined_by_hand_parted_and_joined_again() {
        String first = report("booking", "B-1", ", \"value\": 10, \"clickId\": \"%s\"".formatted(come(0)));
        awaitShares("B-1", ModelName.LAST_TOUCH, "Postcards 1000000 1000");
        report("booking", "B-2", ", \"value\": 20, \"clickId\": \"%s\"".formatted(come(2)));
        awaitShares("B-2", ModelName.LINEAR, "Radio 1000000 2000");
        String trail = "/outcomes/" + first + "/trail";
        assertThat(person.form(trail, trail + "/same", "other", "B-77").body())
                .contains("No outcome has this reference, address or number.", "value=\"B-77\"");
        assertThat(person.form(trail, trail + "/same", "other", "b-2").statusCode())
                .isEqualTo(302);
        assertThat(shares("B-2", ModelName.LINEAR)).isEqualTo("Postcards 500000 1000, Radio 500000 1000");
        assertThat(person.get(trail).body()).contains("Ola Ness says they are one person", "B-2");
        assertThat(person.form(trail, trail + "/same", "other", "B-2").body()).contains("They are one person already.");

        List<String> join = in(
                tenant,
                () -> jdbc.sql("select one from identity_join union all select other from identity_join")
                        .query(String.class)
                        .list());
        person.form(trail, trail + "/joins", "one", join.get(0), "other", join.get(1));
        assertThat(shares("B-2", ModelName.LINEAR)).isEqualTo("Radio 1000000 2000");
        assertThat(person.get(trail).body()).contains("Separated by Ola Ness.").doesNotContain("B-2</code>");
        person.form(trail, trail + "/joins", "one", join.get(0), "other", join.get(1), "again", "true");
        assertThat(shares("B-2", ModelName.LINEAR)).isEqualTo("Postcards 500000 1000, Radio 500000 1000");
    }

    @Test
    void a_join_that_was_undone_is_not_made_again_by_itself() {
        String more = ", \"email\": \"ines@marsh.example\", \"clickId\": \"%s\"".formatted(come(0));
        String lead = report("lead", "E-1", more);
        awaitShares("E-1", ModelName.LAST_TOUCH, "Postcards 1000000 0");
        in(
                tenant,
                () -> jdbc.sql("update identity_join set undone_at = now(), undone_by = 'Ola'")
                        .update());
        report("lead", "E-2", more);
        awaitShares("E-2", ModelName.LAST_TOUCH, "Postcards 1000000 0");
        assertThat(count(tenant, "select count(*) from identity_join where undone_at is null"))
                .isZero();
        assertThat(person.get("/outcomes/" + lead + "/trail").body()).contains("Separated by Ola.", "Join again");
    }

    @Test
    void a_browser_that_many_used_joins_no_more_of_them() {
        String click = come(0);
        for (int i = 0; i < 6; i++) {
            report("lead", "E-" + i, ", \"email\": \"p%d@marsh.example\", \"clickId\": \"%s\"".formatted(i, click));
            awaitShares("E-" + i, ModelName.LAST_TOUCH, "Postcards 1000000 0");
        }
        assertThat(count(tenant, "select count(*) from identity_join")).isEqualTo(4);
    }

    @Test
    void made_anew_all_is_as_it_was_and_a_run_that_is_overtaken_gives_up() {
        for (int i = 0; i < 5; i++) {
            report("booking", "B-" + i, ", \"value\": 9.99, \"clickId\": \"%s\"".formatted(come(i % 3, 1)));
        }
        await("all are credited", () -> count(tenant, "select count(distinct outcome_id) from credit") == 5);
        String sums =
                "select sum(hashtextextended((outcome_id, touch, linear_share, linear_minor, how, link_id)::text, 0) % 1000000007) from credit";
        long before = count(tenant, sums);
        makeAnew();
        assertThat(count(tenant, sums)).isEqualTo(before);
        long edition = in(tenant, () -> editions.current());
        assertThat(edition).isEqualTo(2);
        assertThat(count(tenant, "select count(*) from credit_row where edition <> 2"))
                .isZero();
        anew.run(tenant.id(), 99);
        assertThat(count(tenant, sums)).isEqualTo(before);
        assertThat(count(tenant, "select sum(people) from journey where kind = 'booking'"))
                .isEqualTo(6);
        assertThat(count(tenant, "select sum(converted) from journey where kind = 'booking'"))
                .isEqualTo(5);
    }

    @Test
    void credit_outlives_the_visits_and_follows_changed_rules_all_the_same() {
        report("booking", "B-1", ", \"value\": 50, \"clickId\": \"%s\"".formatted(come(0, 2, 1)));
        awaitShares("B-1", ModelName.LAST_TOUCH, "Campsite 1000000 5000");
        in(tenant, () -> jdbc.sql("update business set keeps_visits_months = 1").update());
        in(tenant, () -> jdbc.sql("delete from visit").update());
        person.form("/setup/attribution", "/setup/attribution", "first", "10", "last", "60", "halfLife", "7");
        awaitAnew();
        assertThat(shares("B-1", ModelName.LAST_TOUCH)).isEqualTo("Campsite 1000000 5000");
        assertThat(shares("B-1", ModelName.POSITION_BASED))
                .isEqualTo("Postcards 100000 500, Radio 300000 1500, Campsite 600000 3000");
        assertThat(count(tenant, "select count(*) from outcome_clue where evidence = 'click' and decides"))
                .isOne();
    }

    @Test
    void what_cannot_be_a_rule_is_refused_and_stays_typed() {
        HttpResponse<String> refused =
                person.form("/setup/attribution", "/setup/attribution", "first", "70", "last", "40", "halfLife", "0");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("A whole number, 1 to 365.", "value=\"70\"");
        assertThat(person.form("/setup/attribution", "/setup/attribution", "first", "70", "last", "40", "halfLife", "3")
                        .body())
                .contains("may have 100 % together; these are 110 %.");
    }
}

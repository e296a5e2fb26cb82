package wendo.app.compare.experiments;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.compare.table.Rows;
import wendo.core.measure.Takings;

class SplitTest extends WendoTest {

    private static SplitQueries.Way way(String address, long people, long acted) {
        return new SplitQueries.Way(new UUID(0, 1), "Cards", address, people, acted);
    }

    private static Split split(SplitQueries.Way... ways) {
        return Split.of(List.of(ways), 50, Rows.FIGURES).get(0);
    }

    /** R 4.2.2: power.prop.test(p1 = .02, p2 = .03, power = .80) asks for 3825.15, so for 3,826 people each. */
    @Test
    void looking_early_decides_nothing_however_large_the_difference() {
        Split early = split(way("a", 1000, 20), way("b", 1000, 90));
        assertThat(early.needed()).hasValue(3826);
        assertThat(early.said()).startsWith("Still running: 1,000 of 3,826 people");
        assertThat(early.lines().get(1).difference()).startsWith("+").endsWith("points");
        assertThat(early.lines().get(0).difference()).isEqualTo("the link’s own");
    }

    @Test
    void with_people_enough_it_is_decided_either_way() {
        assertThat(split(way("a", 4000, 80), way("b", 4000, 130)).said())
                .isEqualTo("Decided: b does clearly better than the link’s own page.");
        assertThat(split(way("a", 4000, 80), way("b", 4000, 85)).said())
                .isEqualTo("Decided: no other page does clearly better by the difference that matters.");
        assertThat(split(way("a", 4000, 80), way("b", 4000, 130), way("c", 4000, 150))
                        .said())
                .isEqualTo("Decided: c does clearly better than the link’s own page.");
        assertThat(split(way("a", 4000, 0), way("b", 4000, 130)).said())
                .startsWith("Still running: nothing came of the link’s own page yet");
        assertThat(split(way("a", 0, 0), way("b", 0, 0)).needed()).isEmpty();
    }

    private static SplitQueries.EarningWay earning(String address, long people, int paid, long each) {
        return new SplitQueries.EarningWay(
                new UUID(0, 1), "Cards", address, new Takings(people, Collections.nCopies(paid, each)));
    }

    private static Split byIncome(SplitQueries.EarningWay... ways) {
        return EarningSplit.of(List.of(ways), 50, Rows.FIGURES).get(0);
    }

    /** 5 % of people earn £10: mean 50p, deviation £2.179; half of the mean more takes 2(1.95996 + 0.84162)²(2.179 ÷ 0.25)². */
    @Test
    void by_income_the_numbers_needed_come_from_what_people_bring() {
        Split early = byIncome(earning("a", 1000, 50, 1000), earning("b", 1000, 90, 1000));
        assertThat(early.needed()).hasValue(1194);
        assertThat(early.said()).startsWith("Still running: 1,000 of 1,194 people");
        assertThat(early.lines().get(0).rate()).startsWith("£0.50 (£0.3");
        assertThat(early.lines().get(1).acted()).isEqualTo("£900.00");
        assertThat(byIncome(earning("a", 2000, 100, 1000), earning("b", 2000, 180, 1000))
                        .said())
                .isEqualTo("Decided: b does clearly better than the link’s own page.");
        assertThat(byIncome(earning("a", 2000, 100, 1000), earning("b", 2000, 105, 1000))
                        .said())
                .isEqualTo("Decided: no other page does clearly better by the difference that matters.");
        assertThat(byIncome(earning("a", 2000, 0, 0), earning("b", 2000, 105, 1000))
                        .said())
                .startsWith("Still running: nothing came");
        assertThat(byIncome(earning("a", 2000, 100, 1000), earning("b", 2000, 3, 1000))
                        .lines()
                        .get(1)
                        .difference())
                .isEqualTo("difference unknown");
    }

    @Test
    void people_count_once_by_the_page_that_they_were_led_to() {
        Tenant tenant = tenant("Godwit Gear");
        String slug = http().issue(tenant.apiKey(), "https://godwit.example/", "Spring", "Postcards")
                .get(0);
        Http person = http().signIn(tenant.email());
        assertThat(person.get("/compare/splits").body()).contains("A link that sends part of its people");
        String page = "/links/"
                + in(
                        tenant,
                        () -> jdbc.sql("select id from link")
                                .query(String.class)
                                .single()) + "/leads";
        person.form(page, page + "/split", "address0", "godwit.example/b", "percent0", "50");
        await("the split is known", () -> led(tenant, slug).endsWith("/b"));
        List<String> clicks = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            Http visitor = http();
            clicks.add(Http.click(visitor.visit(tenant.host(), slug)));
            visitor.visit(tenant.host(), slug);
        }
        for (int i = 0; i < 3; i++) {
            http().post(tenant.apiKey(), "/api/v1/outcomes", """
                            {"kind": "booking", "reference": "B-%d", "value": 90, "clickId": "%s"}
                            """.formatted(i, clicks.get(i)));
        }
        await("they are credited", () -> count(tenant, "select count(*) from credit") == 3);
        List<SplitQueries.Way> ways = in(
                tenant,
                () -> queries.ways(
                        wendo.core.measure.Period.ofDays(
                                java.time.LocalDate.now(java.time.ZoneOffset.UTC)
                                        .minusDays(2),
                                java.time.LocalDate.now(java.time.ZoneOffset.UTC)
                                        .plusDays(1)),
                        java.time.ZoneId.of("Europe/London"),
                        wendo.core.outcomes.OutcomeKind.BOOKING));
        assertThat(ways).hasSize(2);
        for (SplitQueries.Way way : ways) {
            assertThat(way.people()).isEqualTo(count(tenant, """
                    select count(distinct visitor) from visit v join destination d on d.id = v.destination_id
                    where d.address = '%s' and v.kind = 'person'""".formatted(way.address())));
        }
        assertThat(ways.stream().mapToLong(SplitQueries.Way::acted).sum()).isEqualTo(3);
        assertThat(person.get("/compare/splits?kind=booking&least=40").body())
                .contains("Postcards · Spring", "https://godwit.example/b", "value=\"40\"");
        assertThat(person.get("/compare/splits?least=lots").body()).contains("A whole number, 1 to 500. Shown for 25.");
    }

    @org.springframework.beans.factory.annotation.Autowired
    private SplitQueries queries;

    private String led(Tenant tenant, String slug) {
        return http().visit(tenant.host(), slug)
                .headers()
                .firstValue("Location")
                .orElse("")
                .replaceFirst("\\?.*", "");
    }
}

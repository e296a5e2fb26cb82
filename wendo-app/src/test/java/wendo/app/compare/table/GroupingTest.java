package wendo.app.compare.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import wendo.app.Http;
import wendo.app.compare.sql.Grouping;
import wendo.app.money.targets.Target;
import wendo.app.money.targets.Targets;
import wendo.core.outcomes.OutcomeKind;

/** The comparison by what is not a source, what stands behind its numbers, and what it is held against. */
class GroupingTest extends SmallSeason {
    @Autowired
    private Targets targets;

    private Http person() {
        return http().signIn(tenant.email());
    }

    /** Whatever things are grouped by, nothing is lost and nothing counts twice. */
    @Test
    void by_every_grouping_the_rows_add_up_to_the_same() {
        Http person = person();
        for (Grouping grouping : Grouping.values()) {
            adds_up(grouping, person);
        }
    }

    private void adds_up(Grouping grouping, Http person) {
        JsonNode comparison = compare("period=7d&by=" + grouping.key());
        BigDecimal visits = BigDecimal.ZERO;
        BigDecimal bookings = BigDecimal.ZERO;
        BigDecimal revenue = BigDecimal.ZERO;
        BigDecimal spend = BigDecimal.ZERO;
        for (JsonNode row : comparison.get("rows")) {
            visits = visits.add(row.get("visits").decimalValue());
            bookings = bookings.add(row.get("bookings").decimalValue());
            revenue = revenue.add(row.get("revenue").decimalValue());
            spend = row.get("spend").isNull()
                    ? spend
                    : spend.add(row.get("spend").decimalValue());
        }
        assertThat(visits).as(grouping.plural()).isEqualByComparingTo("11");
        assertThat(bookings).isEqualByComparingTo("2");
        assertThat(revenue).isEqualByComparingTo("265.09");
        assertThat(spend).isEqualByComparingTo(grouping.isOfVisits() ? "0" : "50.01");
        assertThat(person.get("/compare?period=7d&with=before&by=" + grouping.key())
                        .body())
                .contains("£265.09", "Total");
    }

    /** Counted again by plain queries. */
    @Test
    void a_group_has_what_its_links_and_sources_have() {
        JsonNode campaigns = compare("period=7d&by=campaign");
        assertThat(row(campaigns, "Spring").get("bookings").asInt()).isEqualTo(2);
        assertThat(row(campaigns, "Spring").get("visits").asLong())
                .isEqualTo(count(tenant, "select count(*) from visit where kind = 'person'"));
        assertThat(row(campaigns, "Direct or unknown").get("purchases").asInt()).isOne();
        JsonNode links = compare("period=7d&by=link");
        assertThat(row(links, "Postcards · Spring").get("spend").decimalValue()).isEqualByComparingTo("50.01");
        assertThat(row(compare("period=7d&by=owner"), "Nobody’s links")
                        .get("leads")
                        .asInt())
                .isOne();
        assertThat(row(compare("period=7d&by=partner"), "Not by a partner")
                        .get("bookings")
                        .asInt())
                .isEqualTo(2);
        assertThat(row(compare("period=7d&by=channel"), "Print").get("people").asLong())
                .isEqualTo(count(tenant, """
                        select count(distinct (v.visitor, v.source_id)) from visit v join source s on s.id = v.source_id
                        where v.kind = 'person' and s.channel = 'PRINT'"""));
        int purchases = 0; // early on the first of a month it was made in the month before
        for (JsonNode month : compare("period=7d&by=month").get("rows")) {
            purchases += month.get("purchases").asInt();
        }
        assertThat(purchases).isOne();
    }

    private static final Pattern KEY =
            Pattern.compile("/compare/behind/(\\w+)\\?[^\"]*?key=([^\"&]+)[^\"]*\">([\\d.,£]+)<");

    /** Every number that can be opened is the sum of what it opens. */
    @Test
    void every_number_opens_what_adds_up_to_it() {
        Http person = person();
        for (Grouping grouping : List.of(
                Grouping.SOURCE,
                Grouping.CHANNEL,
                Grouping.LINK,
                Grouping.CAMPAIGN,
                Grouping.COUNTRY,
                Grouping.MONTH)) {
            opens(grouping, person);
        }
    }

    private static void opens(Grouping grouping, Http person) {
        String page = person.get("/compare?period=7d&model=linear&by=" + grouping.key())
                .body();
        Matcher numbers = KEY.matcher(page);
        int opened = 0;
        while (numbers.find()) {
            String address = numbers.group().replaceFirst("\">.*", "").replace("&amp;", "&");
            String behind = person.get(address).body();
            String number = numbers.group(3);
            assertThat(behind)
                    .as(address)
                    .contains(
                            switch (numbers.group(1)) {
                                case "visits" ->
                                    "The %s behind".formatted(number.equals("1") ? "1 visit" : number + " visits");
                                case "people" ->
                                    "The %s behind".formatted(number.equals("1") ? "1 person" : number + " people");
                                case "revenue" -> "worth %s, from".formatted(number);
                                default -> "<strong>%s credited</strong>".formatted(number);
                            });
            assertThat(behind).as(address).doesNotContain(" listed.");
            if (numbers.group(1).equals("visits") || numbers.group(1).equals("people")) {
                assertThat(behind.split("data-label=\"(When|First visit)\"", -1).length - 1)
                        .as("rows of " + address)
                        .isEqualTo(Integer.parseInt(number));
            }
            opened++;
        }
        assertThat(opened).isGreaterThan(6);
    }

    /** Nine people by two sources, one of them by both, and one by a third. */
    @Test
    void people_open_with_what_became_of_them() {
        Http person = person();
        String postcards = person.get("/compare/behind/people?period=7d&key=" + source("postcards"))
                .body();
        assertThat(postcards.split("booking: see the trail", -1)).hasSize(2);
        assertThat(postcards.split("no outcome known", -1)).hasSize(5);
        assertThat(person.get("/compare/behind/people?period=7d").body())
                .as("the total counts a person once for each source")
                .contains("The 11 people behind “Total”");
        assertThat(person.get("/compare/behind/people?period=7d&by=country").statusCode())
                .as("people are not told by country")
                .isEqualTo(404);
    }

    @Test
    void what_is_not_there_opens_nothing() {
        Http person = person();
        assertThat(person.get("/compare/behind/bookings?key=nonsense").statusCode())
                .isEqualTo(404);
        assertThat(person.get("/compare/behind/others?key=all").statusCode()).isEqualTo(404);
        Http stranger = http().signIn(tenant("Somebody Else").email());
        assertThat(stranger.get("/compare/behind/bookings?key=" + source("postcards"))
                        .statusCode())
                .isEqualTo(404);
        assertThat(stranger.get("/compare/behind/bookings").body()).contains("None in this period.");
    }

    @Test
    void a_target_makes_verdicts_of_costs() {
        Http person = person();
        in(tenant, () -> {
            targets.set(
                    java.util.Optional.empty(), new Target(Map.of(OutcomeKind.BOOKING, 200_000L), OptionalInt.empty()));
            return true;
        });
        assertThat(row(compare("period=7d"), "Postcards")
                        .at("/verdicts/booking")
                        .asString())
                .isEqualTo("earning");
        assertThat(person.get("/compare?period=7d").body()).contains("1 source is earning.");
        person.form(
                "/setup/targets",
                "/setup/targets",
                "source",
                source("postcards").toString(),
                "booking",
                "8.97",
                "margin",
                "");
        assertThat(row(compare("period=7d"), "Postcards")
                        .at("/verdicts/booking")
                        .asString())
                .isEqualTo("losing");
        assertThat(person.get("/compare/one?period=7d&key=" + source("postcards"))
                        .body())
                .contains("limit £8.97, set for this source");
        person.form(
                "/setup/targets",
                "/setup/targets",
                "source",
                source("postcards").toString(),
                "booking",
                " ",
                "margin",
                "");
        assertThat(row(compare("period=7d"), "Postcards")
                        .at("/verdicts/booking")
                        .asString())
                .as("nothing is set for it any more")
                .isEqualTo("earning");
    }

    @Test
    void a_target_that_is_none_is_refused_and_kept_as_typed() {
        Http person = person();
        var answer = person.form("/setup/targets", "/setup/targets", "source", "", "lead", "cheap", "margin", "140");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body())
                .contains("value=\"cheap\"", "value=\"140\"", "A whole number, 1 to 100.", "Enter an amount");
        assertThat(person.form(
                                "/setup/targets",
                                "/setup/targets",
                                "source",
                                tenant.id().value().toString(),
                                "lead",
                                "1")
                        .statusCode())
                .isEqualTo(404);
    }

    @Test
    void two_are_set_side_by_side_and_campaigns_by_month() {
        Http person = person();
        String pair = person.get(
                        "/compare/pair?period=7d&one=%s&other=%s".formatted(source("campsite"), source("postcards")))
                .body();
        assertThat(pair).contains("Campsite with Postcards", "Booking rate", "may be chance:", "difference unknown");
        assertThat(person.get("/compare/pair?period=7d&one=%s".formatted(source("postcards")))
                        .body())
                .contains("Postcards with Campsite");
        assertThat(person.get("/compare/pair?from=2020-01-01&to=2020-01-31").body())
                .contains("Needs two sources that brought people");
        String months = person.get("/compare/months?period=7d&kind=purchase").body();
        String ofKind = months.substring(0, months.indexOf("measures-title"));
        assertThat(ofKind).contains("Direct or unknown", "£49.99").doesNotContain(">Spring<");
        assertThat(months.substring(ofKind.length()))
                .as("every kind and the revenue together")
                .contains(
                        ">Spring<",
                        "Leads",
                        "Bookings",
                        "Purchases",
                        "Revenue",
                        "£49.99",
                        "£215.10",
                        "£265.09",
                        "Total");
        assertThat(person.get("/compare/months?period=7d&kind=booking").body()).contains(">Spring<", "£215");
    }

    /** 10 visits by 10 people against none before: nothing can be said of a rate without people. */
    @Test
    void the_period_before_is_set_against_it() {
        String page =
                person().get("/compare?period=7d&with=before&kind=booking").body();
        assertThat(page).contains("was 0: may be the same", "compared-span");
        List.of("pair", "months", "one?key=" + source("postcards"))
                .forEach(view -> assertThat(
                                person().get("/compare/" + view + (view.contains("?") ? "&" : "?") + "with=year")
                                        .statusCode())
                        .as(view)
                        .isEqualTo(200));
    }

    @Test
    void dates_of_ones_own_keep_what_else_was_chosen() {
        Http person = person();
        assertThat(person.get("/compare?period=7d&by=campaign&model=linear&kind=lead")
                        .body())
                .contains(
                        "type=\"hidden\" name=\"by\" value=\"campaign\"",
                        "type=\"hidden\" name=\"model\" value=\"linear\"",
                        "type=\"hidden\" name=\"kind\" value=\"lead\"");
        assertThat(person.get("/outcomes?period=7d&kind=booking&joined=no").body())
                .contains(
                        "type=\"hidden\" name=\"kind\" value=\"booking\"",
                        "type=\"hidden\" name=\"joined\" value=\"no\"");
    }
}

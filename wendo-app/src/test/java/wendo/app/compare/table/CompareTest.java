package wendo.app.compare.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import wendo.app.Http;
import wendo.app.platform.site.Texts;
import wendo.core.credit.ModelName;

class CompareTest extends SmallSeason {
    private static final List<String> COUNTS =
            List.of("visits", "people", "leads", "bookings", "purchases", "revenue", "spend");

    @Test
    void each_source_has_what_it_brought_and_columns_add_up() {
        JsonNode comparison = compare("by=source&model=last-touch");
        JsonNode cards = row(comparison, "Postcards");
        assertThat(cards.get("leads").asLong()).isOne();
        assertThat(cards.get("revenue").decimalValue()).isEqualByComparingTo("95.10");
        assertThat(cards.get("spend").decimalValue())
                .as("three of six days, pennies first")
                .isEqualByComparingTo("50.01");
        assertThat(cards.at("/costPerBooking/value").decimalValue()).isEqualByComparingTo("50.01");
        assertThat(cards.at("/costPerPurchase/value").isNull()).isTrue();
        assertThat(cards.at("/costPerPurchase/low").decimalValue())
                .as("50.01 ÷ 3.689, Garwood")
                .isEqualByComparingTo("13.56");
        assertThat(row(comparison, "Campsite").get("people").asLong())
                .as("one of them came by the cards first")
                .isEqualTo(5);
        assertThat(row(comparison, "Campsite").get("spend").isNull())
                .as("none entered is not nothing spent")
                .isTrue();
        assertThat(row(comparison, "Direct or unknown").get("purchases").asLong())
                .isOne();
        for (String column : COUNTS) {
            BigDecimal sum = BigDecimal.ZERO;
            for (JsonNode row : comparison.get("rows")) {
                sum = row.get(column).isNull() ? sum : sum.add(row.get(column).decimalValue());
            }
            assertThat(comparison.get("total").get(column).decimalValue())
                    .as(column)
                    .isEqualByComparingTo(sum);
        }
    }

    @Test
    void the_figures_are_those_of_plain_queries() {
        JsonNode comparison = compare("period=7d");
        for (JsonNode row : comparison.get("rows")) {
            String source = row.get("name").asString();
            assertThat(row.get("people").asLong()).isEqualTo(count(tenant, """
                    select count(*) from (select distinct v.visitor from visit v where kind = 'person'
                        and v.source_id = (select id from source where name = '%s')) people""".formatted(source)));
            assertThat(row.get("bookings").asLong()).isEqualTo(count(tenant, """
                    select count(*) from outcome o where kind = 'booking' and '%s' = coalesce((select s.name from credit c
                        join source s on s.id = c.source_id where c.outcome_id = o.id), 'Direct or unknown')""".formatted(source)));
        }
        assertThat(comparison.get("differentPeople").asLong())
                .isEqualTo(count(tenant, "select count(distinct visitor) from visit where kind = 'person'"));
    }

    @Test
    void another_period_has_nothing_and_nonsense_is_refused() {
        JsonNode past = compare("from=2020-01-01&to=2020-01-31");
        assertThat(past.at("/total/visits").asLong()).isZero();
        assertThat(past.at("/total/spend").isNull()).isTrue();
        assertThat(past.at("/total/leadRate/value").isNull()).isTrue();
        for (String query : List.of(
                "by=moon",
                "model=gut-feeling",
                "clock=cuckoo",
                "from=2026-02-30&to=2026-03-01",
                "from=2026-03-02&to=2026-03-01")) {
            assertThat(http().api(tenant.apiKey(), "/api/v1/compare?" + query).statusCode())
                    .as(query)
                    .isEqualTo(400);
        }
    }

    /** Each model's credit of a source is the sum of the rows that its page lists, and the columns add up under each. */
    @Test
    void under_every_model_the_columns_add_up_and_a_source_is_the_sum_of_its_rows() {
        Http person = http().signIn(tenant.email());
        for (ModelName model : ModelName.values()) {
            JsonNode comparison = compare("period=7d&model=" + model.key());
            BigDecimal bookings = BigDecimal.ZERO;
            BigDecimal revenue = BigDecimal.ZERO;
            for (JsonNode row : comparison.get("rows")) {
                bookings = bookings.add(row.get("bookings").decimalValue());
                revenue = revenue.add(row.get("revenue").decimalValue());
            }
            assertThat(bookings).as(Texts.of("common.model-name", model.name())).isEqualByComparingTo("2");
            assertThat(revenue).as(Texts.of("common.model-name", model.name())).isEqualByComparingTo("265.09");
            assertThat(comparison.get("model").asString()).isEqualTo(model.key());
            String page = person.get("/compare/behind/bookings?key=%s&period=7d&kind=booking&model=%s"
                            .formatted(source("postcards"), model.key()))
                    .body();
            assertThat(page)
                    .contains("B-1</code>", "<strong>1 credited</strong>", "100.0%", "£95.10")
                    .doesNotContain("B-2</code>");
        }
    }

    @Test
    void a_source_has_its_funnel_its_months_and_what_every_model_says() {
        Http person = http().signIn(tenant.email());
        String address = "/compare/one?key=" + source("postcards");
        assertThat(person.get(address + "&period=7d&kind=booking").body())
                .contains(
                        "The decision does not depend on the model: it is about average under every one.",
                        "Outcomes of its people",
                        "could be the same: ",
                        "£50.01",
                        "Shapley");
        assertThat(person.get("/compare/one?key=" + source("campsite") + "&period=7d")
                        .body())
                .contains("Nothing is judged without spend.");
        assertThat(person.get("/compare/one?key=" + tenant.id().value()).statusCode())
                .isEqualTo(404);
        assertThat(person.get("/compare/one?key=nonsense").statusCode()).isEqualTo(404);
        assertThat(person.get("/compare/one").statusCode()).isEqualTo(400);
        Tenant other = tenant("Somebody Else");
        assertThat(http().signIn(other.email()).get(address).statusCode()).isEqualTo(404);
    }

    /** What goes out is read again by another library than the one that wrote it, number by number. */
    @Test
    void the_table_goes_out_with_numbers_that_are_numbers() throws Exception {
        Http person = http().signIn(tenant.email());
        String csv =
                person.get("/compare/comparison.csv?period=7d&model=linear").body();
        assertThat(csv.lines().toList())
                .contains(
                        "Postcards,Print,5,5,1,1,0,95.10,50.01,0.200000,0.036224,0.624465,50.01,8.98,1975.29,about average,"
                                + "0.200000,0.036224,0.624465,50.01,8.98,1975.29,about average,"
                                + "0.000000,0.000000,0.434482,,13.56,,");
        try (org.apache.poi.xssf.usermodel.XSSFWorkbook book =
                new org.apache.poi.xssf.usermodel.XSSFWorkbook(new java.io.ByteArrayInputStream(
                        person.bytes(person.request("/compare/comparison.xlsx?period=7d&model=linear"))))) {
            var sheet = book.getSheet("Sources");
            assertThat(sheet.getRow(0).getCell(7).getStringCellValue()).isEqualTo("Revenue, GBP");
            var total = sheet.getRow(sheet.getLastRowNum());
            assertThat(total.getCell(0).getStringCellValue()).isEqualTo("Total");
            assertThat(total.getCell(7).getNumericCellValue()).isEqualTo(265.09);
            assertThat(total.getCell(5).getNumericCellValue()).isEqualTo(2);
        }
        assertThat(person.get("/compare/comparison.doc").statusCode()).isEqualTo(404);
    }

    @Test
    void by_the_clocks_an_outcome_lies_on_its_own_day_on_its_touchs_or_where_it_became_known() {
        report("booking", "B-1", "95.10", "\", \"status\": \"cancelled");
        await("it is taken back", () -> count(tenant, "select count(*) from credit where entry > 0") == 1);
        in(
                tenant,
                () -> jdbc.sql("update outcome set occurred_at = occurred_at - interval '40 days'")
                        .update());
        in(
                tenant,
                () -> jdbc.sql("update credit_row set at = at - interval '40 days' where entry = 0")
                        .update());
        assertThat(compare("period=7d&clock=outcome").at("/total/leads").asInt())
                .isZero();
        assertThat(row(compare("period=7d&clock=touch"), "Postcards")
                        .get("leads")
                        .asInt())
                .isOne();
        assertThat(row(compare("period=7d&clock=entry"), "Postcards")
                        .get("bookings")
                        .asInt())
                .as("taken back in this week")
                .isEqualTo(-1);
        assertThat(row(compare("period=season&clock=outcome"), "Postcards")
                        .get("bookings")
                        .asInt())
                .isZero();
        assertThat(http().signIn(tenant.email())
                        .get("/compare?period=7d&clock=entry")
                        .body())
                .contains("-1", "-£95.10");
    }

    @Test
    void the_page_says_it_in_words_and_numbers() {
        String page = http().signIn(tenant.email())
                .get("/compare?kind=booking&period=7d")
                .body();
        assertThat(page)
                .contains(
                        "No sources stand out: each cost per booking could be the average.",
                        "£95.10",
                        "£265.09",
                        "Direct or unknown",
                        "95 % interval");
        assertThat(http().signIn(tenant.email())
                        .get("/compare?kind=lead&from=2020-01-01&to=2020-01-31")
                        .body())
                .contains("No lead came in this period.");
    }
}

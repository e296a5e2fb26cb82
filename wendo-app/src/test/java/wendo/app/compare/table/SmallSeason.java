package wendo.app.compare.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.money.spend.Spends;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.prepare.sources.Sources;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.Period;

/** A business with two sources that people came by, and outcomes of each kind. */
public abstract class SmallSeason extends WendoTest {
    @Autowired
    Sources sources;

    @Autowired
    Spends spends;

    @Autowired
    Businesses businesses;

    public Tenant tenant;

    /** Of the people who came, alternately by the postcards and by the campsite. */
    public final List<String> clicks = new ArrayList<>();

    @BeforeEach
    void a_small_season() {
        tenant = tenant("Godwit Gear");
        List<String> slugs =
                http().issue(tenant.apiKey(), "https://godwit.example/", "Spring", "Postcards", "Campsite", "Radio");
        await(
                "the links are known",
                () -> http().visit(tenant.host(), slugs.get(2)).statusCode() == 302);
        clicks.clear();
        for (int person = 0; person < 9; person++) {
            Http visitor = http();
            clicks.add(Http.click(visitor.visit(tenant.host(), slugs.get(person % 2))));
            if (person == 0) {
                visitor.visit(tenant.host(), slugs.get(1));
            }
        }
        report("lead", "L-1", "0", clicks.get(2));
        report("booking", "B-1", "95.10", clicks.get(2));
        report("booking", "B-2", "120", clicks.get(3));
        report("purchase", "P-1", "49.99", "");
        in(tenant, () -> {
            Business business = businesses.current();
            java.time.LocalDate today = business.today(java.time.Clock.systemUTC());
            spends.enter(
                    java.util.Objects.requireNonNull(
                                    sources.byIdentifierAndTag().get("postcards"))
                            .id(),
                    new LumpSpend(10_001, Period.ofDays(today.minusDays(2), today.plusDays(3))),
                    "",
                    "test");
            return true;
        });
        await(
                "all is stored and credited",
                () -> count(tenant, "select count(*) from credit") == 3
                        && count(tenant, "select count(*) from visit where kind = 'person'") >= 11);
    }

    public void report(String kind, String reference, String value, String click) {
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"%s\", \"reference\": \"%s\", \"value\": \"%s\", \"clickId\": \"%s\"}"
                                .formatted(kind, reference, value, click));
    }

    public JsonNode compare(String query) {
        HttpResponse<String> answer = http().api(tenant.apiKey(), "/api/v1/compare?" + query);
        assertThat(answer.statusCode()).isEqualTo(200);
        return Http.json(answer);
    }

    static JsonNode row(JsonNode comparison, String source) {
        for (JsonNode row : comparison.get("rows")) {
            if (row.get("name").asString().equals(source)) {
                return row;
            }
        }
        throw new AssertionError("No row for " + source);
    }

    public java.util.UUID source(String tag) {
        return in(
                tenant,
                () -> java.util.Objects.requireNonNull(
                                sources.byIdentifierAndTag().get(tag))
                        .id());
    }
}

package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;

import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.time.Month;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import tools.jackson.databind.JsonNode;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.core.measure.Period;

@ExtendWith(OutputCaptureExtension.class)
class SiteTest extends WendoTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    private static PeriodChoice choose(Map<String, String> address) {
        return PeriodChoice.of(name -> Optional.ofNullable(address.get(name)), TODAY, Month.JANUARY);
    }

    @Test
    void the_period_stands_in_the_address() {
        assertThat(choose(Map.of("period", "7d")).period()).isEqualTo(Period.ofDays(TODAY.minusDays(6), TODAY));
        assertThat(choose(Map.of("period", "quarter")).period().startInclusive())
                .isEqualTo(LocalDate.of(2026, 10, 1));
        assertThat(choose(Map.of()).period().days()).isEqualTo(26 * 7);
        PeriodChoice days = choose(Map.of("from", "2026-05-01", "to", "2026-05-03", "period", "7d"));
        assertThat(days.period()).isEqualTo(Period.ofDays(LocalDate.of(2026, 5, 1), LocalDate.of(2026, 5, 3)));
        assertThat(days.query()).isEqualTo("from=2026-05-01&to=2026-05-03");
    }

    /** A financial year from April has its quarters in April, July, October and January. */
    @Test
    void quarters_and_years_begin_as_the_business_has_it() {
        for (Month first : Month.values()) {
            for (Month now : Month.values()) {
                LocalDate today = LocalDate.of(2026, now, 28);
                LocalDate year = PeriodChoice.of(
                                name -> Optional.of("year").filter(any -> name.equals("period")), today, first)
                        .period()
                        .startInclusive();
                LocalDate quarter = PeriodChoice.of(
                                name -> Optional.of("quarter").filter(any -> name.equals("period")), today, first)
                        .period()
                        .startInclusive();
                assertThat(year.getMonth()).isEqualTo(first);
                assertThat(year).isBetween(today.minusMonths(12).plusDays(1), today);
                assertThat((quarter.getMonthValue() - first.getValue() + 12) % 3)
                        .isZero();
                assertThat(quarter).isBetween(today.minusMonths(3).plusDays(1), today);
            }
        }
        assertThat(choose(Map.of("period", "year")).period().startInclusive()).isEqualTo(LocalDate.of(2026, 1, 1));
    }

    @Test
    void a_period_that_cannot_be_shows_the_season_and_says_why() {
        for (Map<String, String> address : List.of(
                Map.of("period", "era"),
                Map.of("from", "2026-05-03", "to", "2026-05-01"),
                Map.of("from", "2026-05-03"),
                Map.of("from", "0001-01-01", "to", "2026-05-01"),
                Map.of("from", "2026-05-03", "to", "9999-12-31"))) {
            assertThat(choose(address).fault()).as(address.toString()).isPresent();
            assertThat(choose(address).key()).isEqualTo("season");
        }
    }

    @Test
    void the_ribbon_covers_each_day_once_and_reaches_to_what_is_chosen() {
        RibbonLayer layer = new RibbonLayer() {
            @Override
            public Map<LocalDate, Long> outcomesByDay(Period period) {
                return Map.of(TODAY, 4L, TODAY.minusDays(1), 2L);
            }

            @Override
            public List<Span> campaigns(Period period) {
                return List.of(
                        new Span("Autumn", TODAY.minusDays(9), TODAY.plusDays(40)),
                        new Span("Gone", TODAY.minusYears(3), TODAY.minusYears(2)));
            }
        };
        Ribbon ribbon = new Ribbons(List.of(layer)).draw(choose(Map.of("period", "7d")));
        assertThat(ribbon.days()).isEqualTo(182);
        assertThat(ribbon.bars())
                .as("a day without outcomes draws nothing")
                .extracting(Ribbon.Bar::first, Ribbon.Bar::height, Ribbon.Bar::chosen)
                .containsExactly(tuple(TODAY.minusDays(1), 50.0, true), tuple(TODAY, 100.0, true));
        assertThat(ribbon.drawn(new Figures(CurrencyUnit.GBP, ZoneId.of("Europe/London"), Locale.UK))
                        .lines())
                .hasSize(2)
                .last(STRING)
                .startsWith(
                        "<rect class=\"day chosen\" x=\"99.45%\" width=\"0.44%\" y=\"0.0%\" height=\"100.0%\"><title>")
                .endsWith(": 4 outcomes</title></rect>");
        assertThat(ribbon.campaigns())
                .singleElement()
                .satisfies(span -> assertThat(span.left() + span.width())
                        .isEqualTo(100, org.assertj.core.api.Assertions.within(1e-9)));
        Ribbon wide = new Ribbons(List.of(layer)).draw(choose(Map.of("from", "2025-01-01", "to", "2026-11-23")));
        assertThat(wide.firstDay()).isEqualTo(LocalDate.of(2025, 1, 1));
        assertThat(wide.bars().stream().mapToLong(Ribbon.Bar::outcomes).sum())
                .as("by weeks now")
                .isEqualTo(6);
    }

    @Test
    void every_call_of_the_api_is_described_and_nothing_else_is() {
        List<String> described = new ArrayList<>();
        JsonNode paths = Http.json(http().get("/api/v1/openapi.json")).get("paths");
        paths.propertyNames()
                .forEach(path -> paths.get(path).propertyNames().forEach(method -> described.add(method + " " + path)));
        List<String> real = new ArrayList<>();
        mappings.getHandlerMethods()
                .keySet()
                .forEach(mapping -> mapping.getPatternValues().stream()
                        .filter(path -> path.startsWith("/api/"))
                        .forEach(path -> mapping.getMethodsCondition()
                                .getMethods()
                                .forEach(method ->
                                        real.add(method.name().toLowerCase(java.util.Locale.ROOT) + " " + path))));
        assertThat(described).containsExactlyInAnyOrderElementsOf(real);
    }

    @Test
    void pages_run_under_a_strict_policy_and_name_their_files_by_content() {
        HttpResponse<String> page = http().get("/sign-in");
        assertThat(page.headers().firstValue("Content-Security-Policy").orElseThrow())
                .startsWith("default-src 'none'; script-src 'self'; style-src 'self'")
                .contains("frame-ancestors 'none'")
                .doesNotContain("unsafe");
        List<String> files = Pattern.compile("(?:href|src)=\"(/assets/[^\"#]+)")
                .matcher(page.body())
                .results()
                .map(result -> result.group(1))
                .toList();
        assertThat(files)
                .hasSizeGreaterThan(3)
                .allMatch(file -> file.matches("/assets/[a-z]+-[0-9a-f]{32}\\.(js|css|svg)"));
        for (String file : files) {
            HttpResponse<String> answer = http().get(file);
            assertThat(answer.statusCode()).isEqualTo(200);
            assertThat(answer.headers().firstValue("Cache-Control").orElseThrow())
                    .contains("max-age=31536000");
        }
    }

    @Test
    void a_fault_of_ours_has_one_reference_on_the_page_and_in_the_log(CapturedOutput output) {
        Tenant tenant = tenant("Ibis Inflatables");
        Http person = http().signIn(tenant.email());
        in(tenant, () -> jdbc.sql("update business set currency = 'XX1'").update());
        await(
                "settings are read again",
                () -> person.get("/setup?email=private%40ibis.example").statusCode() == 500);
        String page = person.get("/setup?email=private%40ibis.example").body();
        String reference = Pattern.compile("<code>([0-9a-f]{8})</code>")
                .matcher(page)
                .results()
                .map(MatchResult::group)
                .findFirst()
                .orElseThrow()
                .replaceAll("</?code>", "");
        assertThat(output.getAll()).contains("Fault " + reference + ": 500 on GET /setup");
        assertThat(output.getAll()).doesNotContain("private%40ibis.example", "private@ibis.example");
    }

    @Test
    void an_address_of_nothing_is_a_404_and_a_forged_form_is_refused() {
        Http person = http().signIn(tenant("Jackdaw Jetties").email());
        for (String leftByAForm : List.of("/issue/sheet", "/issue/source", "/setup/keys", "/spend", "/sign-in")) {
            assertThat(person.get(leftByAForm).statusCode()).as(leftByAForm).isEqualTo(200);
        }
        assertThat(person.get("/nothing").statusCode()).isEqualTo(404);
        assertThat(person.get("/nothing").body()).contains("There is nothing at this address");
        HttpResponse<String> forged = person.send(person.request("/spend")
                .POST(java.net.http.HttpRequest.BodyPublishers.ofString("amount=5"))
                .header("Content-Type", "application/x-www-form-urlencoded"));
        assertThat(forged.statusCode()).isEqualTo(403);
        assertThat(forged.body()).contains("This was not done");
    }
}

package wendo.app.compare.drilldown;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.CompareContext;
import wendo.app.compare.table.ComparedRow;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.PeriodChoice;
import wendo.core.measure.Period;

/** Who came, and each time, held against plain counts of visits that many made again and again. */
class DrilldownVisitQueriesTest extends WendoTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/London");
    private static final int VISITS = 260;
    private static final int SEED = 42;

    @Autowired
    private Businesses businesses;

    @Autowired
    private DrilldownVisitQueries queries;

    private final LocalDate last = LocalDate.now(ZONE);
    private final LocalDate first = last.minusDays(59); // two or three months
    private Tenant tenant;

    /** By five links of three sources, or without one; a quarter are not people's. */
    @BeforeEach
    void many_come() {
        tenant = tenant("Whimbrel Walks");
        http().issue(tenant.apiKey(), "https://whimbrel.example/", "Spring", "Sign", "Flyer", "Radio");
        http().issue(tenant.apiKey(), "https://whimbrel.example/", "Autumn", "Sign", "Flyer");
        SplittableRandom random = new SplittableRandom(SEED);
        Stream.iterate(first, day -> !day.isAfter(last.plusMonths(1)), day -> day.plusMonths(1))
                .forEach(month -> in(
                        tenant,
                        () -> jdbc.sql("select ensure_visit_month(?)")
                                .param(month)
                                .query((row, number) -> 1)
                                .list()));
        in(tenant, () -> {
            for (int i = 0; i < VISITS; i++) {
                come(random, i);
            }
            return true;
        });
    }

    private void come(SplittableRandom random, int second) {
        jdbc.sql("""
                        insert into visit (arrived_at, click_id, business_id, link_id, source_id, destination_id, visitor, kind,
                            reason, referrer, user_agent, country, device, language, system, browser)
                        select cast(:first as timestamptz) + make_interval(mins => :minute, secs => :second), :id, current_business(), id,
                            source_id, destination_id, :visitor, :kind, '', '', 'agent', :country, 'phone', 'en', '', ''
                        from link order by slug offset :link limit 1
                        """)
                .param("first", first.atStartOfDay().atOffset(ZoneOffset.UTC).toString())
                .param("minute", random.nextInt(59 * 24 * 60))
                .param("second", second)
                .param("id", UUID.randomUUID())
                .param("visitor", new UUID(7, random.nextInt(60)))
                .param("kind", random.nextInt(4) == 0 ? "repeat" : "person")
                .param("country", random.nextInt(5) == 0 ? "IE" : "GB")
                .param("link", random.nextInt(5))
                .update();
    }

    private static ComparedRow row(String key, long visits) {
        return new ComparedRow(key, "Group", Optional.empty(), visits, 0, 0, Map.of(), Map.of(), Optional.empty());
    }

    private List<String> keys(String sql) {
        return in(tenant, () -> jdbc.sql(sql).query(String.class).list());
    }

    private List<String> people(Grouping grouping, ComparedRow row, int page) {
        return in(tenant, () -> queries.people(row, context(grouping), page)).stream()
                .map(one -> "%s %s %d".formatted(one.first(), one.last(), one.visits()))
                .toList();
    }

    private CompareContext context(Grouping grouping) {
        Period period = Period.ofDays(first, last);
        return new CompareContext(
                CompareChoice.usual().with(grouping),
                new PeriodChoice(period, last, "", "", Optional.empty()),
                businesses.current());
    }

    /** Counted plainly: by the SQL of what a person is counted once for, and of the group. */
    private List<String> plainly(String unit, String group) {
        return in(
                tenant,
                () -> jdbc.sql("""
                        select min(arrived_at), max(arrived_at), count(*)
                        from visit v join link l on l.id = v.link_id join source s on s.id = l.source_id
                        where v.kind = 'person' and %s group by v.visitor, %s order by max(arrived_at) desc
                        """.formatted(group, unit))
                        .query((row, number) -> "%s %s %d"
                                .formatted(
                                        row.getTimestamp(1).toInstant(),
                                        row.getTimestamp(2).toInstant(),
                                        row.getLong(3)))
                        .list());
    }

    /** Few are found by their links, many are read until there are enough: it is the same. */
    @Test
    void people_are_listed_once_for_what_they_count_for() {
        for (long visits : new long[] {10, 1_000_000}) {
            for (String source : keys("select id::text from source")) {
                assertThat(people(Grouping.SOURCE, row(source, visits), 0))
                        .containsExactlyElementsOf(plainly("s.id", "s.id::text = '" + source + "'"))
                        .hasSizeGreaterThan(20);
            }
            for (String campaign : keys("select id::text from campaign")) {
                assertThat(people(Grouping.CAMPAIGN, row(campaign, visits), 0))
                        .containsExactlyElementsOf(plainly("l.id", "l.campaign_id::text = '" + campaign + "'").stream()
                                .limit(DrilldownQueries.PAGE)
                                .toList());
            }
        }
        String month = last.withDayOfMonth(1).toString().substring(0, 7);
        String monthOf = "to_char(v.arrived_at at time zone 'Europe/London', 'YYYY-MM')";
        assertThat(people(Grouping.MONTH, row(month, 10), 0))
                .containsExactlyElementsOf(plainly(monthOf, monthOf + " = '" + month + "'"));
    }

    @Test
    void pages_follow_one_another_without_a_gap() {
        List<String> all = plainly("s.id", "true");
        assertThat(all).hasSizeGreaterThan(DrilldownQueries.PAGE);
        ComparedRow total = row(ComparedRow.TOTAL, VISITS);
        assertThat(Stream.of(0, 1, 2)
                        .flatMap(page -> people(Grouping.SOURCE, total, page).stream())
                        .toList())
                .containsExactlyElementsOf(all);
        assertThat(in(tenant, () -> queries.visits(row("IE", 30), context(Grouping.COUNTRY), 0)))
                .hasSize((int) count(tenant, "select count(*) from visit where country = 'IE' and kind = 'person'"));
    }

    /** What was forgotten is in the number still, and the page says that it is not listed. */
    @Test
    void what_is_kept_as_sums_only_is_said_not_to_be_listed() {
        Http person = http().signIn(tenant.email());
        person.form("/setup/visits", "/setup/visits/sums");
        await("the sums are made", () -> person.get("/setup/visits").body().contains("Last recalculated"));
        in(
                tenant,
                () -> jdbc.sql("delete from visit where arrived_at < ?")
                        .param(java.sql.Timestamp.from(
                                last.minusDays(20).atStartOfDay(ZONE).toInstant()))
                        .update());
        long kept = count(tenant, "select count(*) from visit where kind = 'person'");
        long all = count(tenant, "select sum(visits) from visit_sum where kind = 'person'");
        String period = "?from=%s&to=%s".formatted(first, last);
        assertThat(person.get("/compare/behind/visits" + period).body())
                .contains("The %d visits behind".formatted(all), "%d of %d listed.".formatted(kept, all));
        long people = count(tenant, "select count(distinct (visitor, source_id)) from visit where kind = 'person'");
        assertThat(person.get("/compare/behind/people" + period).body()).contains("%d of ".formatted(people));
    }
}

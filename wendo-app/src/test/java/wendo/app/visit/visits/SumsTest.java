package wendo.app.visit.visits;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.core.visits.ClickId;

/** The daily sums against plain counts of the visits themselves, whatever the order and the portions they came in. */
class SumsTest extends WendoTest {
    private static final int VISITORS = 9;
    private static final int DAYS = 70;
    private static final List<String> AGENTS = List.of(
            Http.BROWSER,
            "Mozilla/5.0 (iPhone; CPU iPhone OS 18_5 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.5 Mobile/15E148 Safari/604.1",
            "curl/8.5.0");

    @Autowired
    private VisitStore store;

    @Autowired
    private VisitJobs jobs;

    private record Issued(UUID link, UUID source, UUID destination) {}

    private Tenant tenant;
    private Http person;
    private List<Issued> links = List.of();
    private final Random random = new Random(20_261_125);
    private LocalDate today = LocalDate.EPOCH;

    @BeforeEach
    void come() {
        tenant = tenant("Ringed Plover Rides");
        person = http().signIn(tenant.email());
        http().issue(tenant.apiKey(), "https://rides.example/a", "Spring", "Flyers", "Radio");
        http().issue(tenant.apiKey(), "https://rides.example/b", "Summer", "Flyers");
        links = in(
                tenant,
                () -> jdbc.sql("select id, source_id, destination_id from link order by created_at, id")
                        .query((row, number) -> new Issued(
                                row.getObject(1, UUID.class),
                                row.getObject(2, UUID.class),
                                row.getObject(3, UUID.class)))
                        .list());
        today = LocalDate.now(java.time.ZoneId.of("Europe/London"));
        List<LoggedVisit> visits = new ArrayList<>();
        for (int i = 0; i < 400; i++) {
            visits.add(visit());
        }
        Collections.shuffle(visits, random);
        for (int from = 0; from < visits.size(); ) {
            int to = Math.min(visits.size(), from + 1 + random.nextInt(60));
            store.store(visits.subList(from, to));
            store.store(visits.subList(from, Math.min(to, from + 5))); // carried twice, as after a crash
            from = to;
        }
    }

    private LoggedVisit visit() {
        return visit(Instant.now().minus(Duration.ofSeconds(random.nextInt(DAYS * 86_400))));
    }

    private LoggedVisit visit(Instant at) {
        Issued link = links.get(random.nextInt(links.size()));
        return new LoggedVisit(
                ClickId.of(at, random),
                tenant.id(),
                link.link(),
                link.source(),
                link.destination(),
                new UUID(7, random.nextInt(VISITORS)),
                "",
                random.nextBoolean() ? "GB" : "",
                "phone",
                "",
                AGENTS.get(random.nextInt(AGENTS.size())),
                "",
                random.nextBoolean() ? "https://r.example/" + "p".repeat(1 + random.nextInt(1900)) : "",
                "en",
                "");
    }

    private List<Long> numbers(String sql, LocalDate first, LocalDate end) {
        return in(
                tenant,
                () -> jdbc.sql(sql)
                        .param("first", first)
                        .param("end", end)
                        .query(Long.class)
                        .list());
    }

    /** People of many stretches of days, at each scope, as the sums tell and as the visits tell. */
    private void compareAll(String ofLinks) {
        for (int i = 0; i < 25; i++) {
            LocalDate first = today.minusDays(random.nextInt(DAYS + 3));
            LocalDate end = first.plusDays(1 + random.nextInt(80));
            assertThat(numbers("""
                            select sum(people) from visit_person_sum
                            where counted and day >= :first and day < :end and day_before < :first
                            group by scope, scope_id having sum(people) > 0 order by scope, scope_id
                            """, first, end))
                    .as("people from %s to %s", first, end)
                    .isEqualTo(numbers("""
                            with came as (
                                select v.*, (v.arrived_at at time zone 'Europe/London')::date as day from visit v
                                where v.kind = 'person')
                            select count(distinct visitor) from came
                            cross join lateral (values ('business', business_id), ('link', link_id), ('source', source_id))
                                s(scope, scope_id)
                            where day >= :first and day < :end and (scope <> 'link' or %s)
                            group by scope, scope_id order by scope, scope_id
                            """.formatted(ofLinks), first, end));
            assertThat(numbers("""
                            select sum(visits) from visits_of_days(:first, :end) where counted
                            group by link_id, kind order by link_id, kind
                            """, first, end)).isEqualTo(numbers("""
                            select count(*) from visit
                            where (arrived_at at time zone 'Europe/London')::date between :first and cast(:end as date) - 1
                                and %s
                            group by link_id, kind order by link_id, kind
                            """.formatted(ofLinks), first, end));
        }
    }

    private Map<String, Long> traits() {
        return in(tenant, () -> {
            Map<String, Long> traits = new TreeMap<>();
            jdbc.sql("select trait, sum(visits) from visit_trait_sum group by trait")
                    .query(row -> {
                        traits.put(row.getString(1), row.getLong(2));
                    });
            return traits;
        });
    }

    @Test
    void sums_tell_what_the_visits_tell_and_are_the_same_made_anew() {
        compareAll("true");
        long people = count(tenant, "select count(*) from visit where kind = 'person'");
        assertThat(people).isGreaterThan(200);
        assertThat(traits())
                .as("each of people's visits has each trait once")
                .hasSize(8)
                .allSatisfy((trait, visits) -> assertThat(visits).isEqualTo(people));
        person.form("/setup/visits", "/setup/visits/sums");
        await("they are made anew", () -> person.get("/setup/visits").body().contains("all were right."));
        in(
                tenant,
                () -> jdbc.sql("update visit_sum set visits = visits + 1 where day = (select min(day) from visit_sum)")
                        .update());
        person.form("/setup/visits", "/setup/visits/sums");
        await("what was wrong is told", () -> person.get("/setup/visits").body().contains("some were wrong"));
        compareAll("true");
    }

    /** A line that a failing disk took after all stands in the log twice; two batches can share a transaction. */
    @Test
    void a_visit_that_comes_twice_at_once_is_summed_once() {
        LoggedVisit twice = visit();
        store.store(List.of(twice, twice, visit()));
        in(tenant, () -> {
            store.store(List.of(visit()));
            store.store(List.of(visit(), twice));
            return tenant;
        });
        assertThat(count(tenant, "select count(*) from visit")).isEqualTo(404);
        assertThat(count(tenant, "select sum(visits) from visit_sum")).isEqualTo(404);
        compareAll("true");
    }

    /** As four processes do, each with a part of everybody's visits and some that are carried twice, and somebody else. */
    private void carry(List<LoggedVisit> visits, Callable<?> meanwhile) throws Exception {
        ExecutorService carriers = Executors.newFixedThreadPool(5);
        try {
            List<Callable<Object>> work = new ArrayList<>();
            for (int carrier = 0; carrier < 4; carrier++) {
                int share = visits.size() / 4;
                List<LoggedVisit> own = visits.subList(carrier * share, carrier * share + share);
                Random portions = new Random(random.nextLong());
                work.add(() -> {
                    for (int from = 0; from < own.size(); ) {
                        int to = Math.min(own.size(), from + 1 + portions.nextInt(15));
                        store.store(own.subList(from, to));
                        if (portions.nextBoolean()) {
                            store.store(own.subList(portions.nextInt(to), to));
                        }
                        from = to;
                    }
                    return own;
                });
            }
            work.add(meanwhile::call);
            for (Future<Object> one : carriers.invokeAll(work)) {
                assertThat(one.get()).isNotNull();
            }
        } finally {
            carriers.shutdownNow();
        }
    }

    private List<LoggedVisit> visitsSince(Instant first, int count) {
        long seconds = Duration.between(first, Instant.now()).toSeconds();
        List<LoggedVisit> visits = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            visits.add(visit(first.plusSeconds(random.nextLong(seconds))));
        }
        return visits;
    }

    private void madeAnewTheyAreTheSame() {
        person.form("/setup/visits", "/setup/visits/sums");
        await(
                "made anew they are the same",
                () -> person.get("/setup/visits").body().contains("all were right."));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void whatever_carriers_merges_and_forgetting_come_between_the_sums_are_exact(long seed) throws Exception {
        random.setSeed(seed);
        UUID kept = links.get(1).source();
        UUID merged = links.stream()
                .map(Issued::source)
                .filter(source -> !source.equals(kept))
                .findFirst()
                .orElseThrow();
        carry(
                visitsSince(Instant.now().minus(Duration.ofDays(DAYS)), 160),
                () -> person.form(
                        "/setup/sources/" + merged,
                        "/setup/sources/" + merged + "/merge",
                        "into",
                        kept.toString(),
                        "confirmed",
                        "true"));
        assertThat(count(tenant, "select count(*) from visit where source_id = '%s'".formatted(merged)))
                .isZero();
        assertThat(count(tenant, "select count(*) from visit")).isEqualTo(560);
        compareAll("true");
        madeAnewTheyAreTheSame();
        owns("/setup/visits", "cookie", "true", "months", "1");
        LocalDate first = today.minusMonths(1).withDayOfMonth(1);
        carry(
                visitsSince(
                        first.plusDays(1).atStartOfDay(java.time.ZoneOffset.UTC).toInstant(), 80),
                () -> {
                    jobs.forget();
                    return first;
                });
        assertThat(count(tenant, "select sum(visits) from visit_sum")).isEqualTo(640);
        assertThat(count(
                        tenant,
                        "select count(*) from visit where arrived_at < timestamp '%s' at time zone 'Europe/London'"
                                .formatted(first)))
                .isZero();
        List<Long> people = peopleOfStretches(first);
        jobs.rebuild(tenant.id());
        assertThat(peopleOfStretches(first)).isEqualTo(people);
        assertThat(count(tenant, "select sum(visits) from visit_sum")).isEqualTo(640);
    }

    /** Of all stretches of days since then, of every source and link. */
    private List<Long> peopleOfStretches(LocalDate first) {
        List<Long> people = new ArrayList<>();
        for (LocalDate from = first; !from.isAfter(today); from = from.plusDays(1)) {
            people.addAll(numbers("""
                    select sum(people) from visit_person_sum
                    where counted and day >= :first and day < :end and day_before < :first
                    group by scope, scope_id having sum(people) <> 0 order by scope, scope_id
                    """, from, today.plusDays(1)));
            people.addAll(numbers("""
                    select sum(people) from visit_person_sum
                    where counted and day >= :first and day < :end and day_before < :first
                    group by scope, scope_id having sum(people) <> 0 order by scope, scope_id
                    """, first, from.plusDays(1)));
        }
        return people;
    }

    @Test
    void a_link_counted_afresh_sets_apart_what_came_before_and_that_can_be_undone() {
        UUID link = links.get(1).link();
        LocalDate day = today.minusDays(20);
        assertThat(person.form("/links/" + link, "/links/" + link + "/afresh", "from", "some day")
                        .statusCode())
                .isEqualTo(422);
        person.form("/links/" + link, "/links/" + link + "/afresh", "from", day + "T12:30");
        compareAll("(link_id <> '%s' or arrived_at >= timestamp '%s 12:30' at time zone 'Europe/London')"
                .formatted(link, day));
        assertThat(person.get("/links/" + link + "?period=season").body()).contains("Counted from");
        person.form("/links/" + link, "/links/" + link + "/afresh");
        compareAll("true");
    }

    @Test
    void of_a_merged_source_people_count_once() {
        UUID kept = links.get(1).source();
        UUID merged = links.get(0).source().equals(kept)
                ? links.get(2).source()
                : links.get(0).source();
        person.form(
                "/setup/sources/" + merged,
                "/setup/sources/" + merged + "/merge",
                "into",
                kept.toString(),
                "confirmed",
                "true");
        assertThat(count(tenant, "select count(*) from source where merged_into is not null"))
                .isOne();
        compareAll("true");
    }

    @Test
    void what_is_older_than_is_kept_goes_and_its_sums_stay() {
        long before = count(tenant, "select sum(people) from visit_person_sum where day_before = '-infinity'");
        assertThat(person.form("/setup/visits", "/setup/visits", "cookie", "true", "months", "0")
                        .statusCode())
                .isEqualTo(422);
        person.form("/setup/visits", "/setup/visits", "cookie", "true", "months", "1");
        jobs.forget();
        LocalDate kept = today.minusMonths(1).withDayOfMonth(1);
        assertThat(count(
                        tenant,
                        "select count(*) from visit where arrived_at < timestamp '%s' at time zone 'Europe/London'"
                                .formatted(kept)))
                .isZero();
        assertThat(count(tenant, "select count(*) from visit")).isPositive();
        assertThat(count(tenant, "select sum(people) from visit_person_sum where day_before = '-infinity'"))
                .isEqualTo(before);
        assertThat(count(tenant, "select sum(visits) from visit_sum")).isEqualTo(400);
        person.form("/setup/visits", "/setup/visits/sums");
        await("they are made anew", () -> person.get("/setup/visits").body().contains("all were right."));
        assertThat(count(tenant, "select sum(visits) from visit_month_sum")).isEqualTo(400);
    }

    /** As from the log of a machine that was down for long. */
    @Test
    void a_late_visit_of_a_month_that_was_dropped_is_stored() {
        Instant longAgo = Instant.parse("2021-02-03T12:00:00Z");
        String old = "select count(*) from visit where arrived_at < timestamptz '2022-01-01'";
        store.store(List.of(visit(longAgo)));
        in(
                tenant,
                () -> jdbc.sql("delete from visit where arrived_at < timestamptz '2022-01-01'")
                        .update());
        assertThat(count(tenant, "select drop_empty_visit_months(date '2022-01-01')"))
                .isPositive();
        store.store(List.of(visit(longAgo)));
        assertThat(count(tenant, old)).isOne();
        in(
                tenant,
                () -> jdbc.sql("delete from visit where arrived_at < timestamptz '2022-01-01'")
                        .update());
    }

    private List<String> byDay(String zone) {
        return in(tenant, () -> jdbc.sql("""
                                select link_id || ' ' || day || ' ' || kind || ' ' || count(*)
                                from (select link_id, kind, (arrived_at at time zone ?)::date as day from visit) v
                                group by link_id, day, kind order by 1
                                """).params(zone).query(String.class).list());
    }

    private List<String> summed() {
        return in(tenant, () -> jdbc.sql("""
                                select link_id || ' ' || day || ' ' || kind || ' ' || sum(visits) from visit_sum
                                group by link_id, day, kind order by 1
                                """).query(String.class).list());
    }

    /** West and east of where they were: some visits move to the day before, some to the day after. */
    @Test
    void in_another_time_zone_every_visit_is_counted_on_its_day_there() {
        for (String zone : List.of("America/Los_Angeles", "Pacific/Auckland")) {
            owns("/setup/business", "name", "Ringed Plover Rides", "locale", "en-GB", "zone", zone);
            await(
                    "the sums are asked for",
                    () -> count(tenant, "select count(*) from visit_rebuild where counted_in is not null") == 1);
            jobs.rebuild(tenant.id());
            assertThat(summed()).as(zone).isEqualTo(byDay(zone));
            assertThat(count(tenant, "select count(*) from visit_rebuild where was_right and counted_in is null"))
                    .isOne();
            jobs.rebuild(tenant.id());
            assertThat(summed()).isEqualTo(byDay(zone));
        }
    }

    @Test
    void the_first_visits_stay_when_another_time_zone_moves_them_to_the_day_before() {
        store.store(List.of(visit(today.minusDays(DAYS + 1)
                .atTime(3, 0)
                .atZone(java.time.ZoneId.of("Europe/London"))
                .toInstant())));
        owns("/setup/business", "name", "Ringed Plover Rides", "locale", "en-GB", "zone", "America/Los_Angeles");
        jobs.rebuild(tenant.id());
        assertThat(count(tenant, "select count(*) from visit")).isEqualTo(401);
        assertThat(summed()).isEqualTo(byDay("America/Los_Angeles"));
    }

    /** Visits of before were forgotten; their sums stay through a change of the time zone and through making them anew. */
    @Test
    void sums_of_forgotten_visits_outlive_another_time_zone() {
        LocalDate month = today.minusMonths(1).withDayOfMonth(1);
        in(
                tenant,
                () -> jdbc.sql("delete from visit where arrived_at < cast(? as timestamp) at time zone 'Europe/London'")
                        .param(month)
                        .update());
        jobs.rebuild(tenant.id());
        long all = count(tenant, "select sum(visits) from visit_sum");
        owns("/setup/business", "name", "Ringed Plover Rides", "locale", "en-GB", "zone", "America/Los_Angeles");
        jobs.rebuild(tenant.id());
        assertThat(count(tenant, "select sum(visits) from visit_sum")).isEqualTo(all);
        jobs.rebuild(tenant.id());
        assertThat(count(tenant, "select sum(visits) from visit_sum")).isEqualTo(all);
    }

    private void owns(String page, String... fields) {
        assertThat(person.form(page, page, fields).statusCode()).isEqualTo(302);
    }
}

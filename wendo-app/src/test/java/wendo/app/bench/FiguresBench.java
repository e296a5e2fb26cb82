package wendo.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static wendo.app.bench.Bench.say;
import static wendo.app.bench.Bench.seconds;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.visit.arrivals.ArrivalSums;
import wendo.app.visit.visits.LoggedVisit;
import wendo.app.visit.visits.VisitStore;
import wendo.core.visits.ClickId;

/** {@code ./wendo bench figures}: the pages that count, on a season of five million visits by a thousand links. */
@Tag("bench")
class FiguresBench extends WendoTest {
    private static final int VISITS = Integer.parseInt(System.getenv().getOrDefault("WENDO_BENCH_VISITS", "5000000"));
    private static final int DAYS = 182;
    private static final int SOURCES = 40;
    private static final int CAMPAIGNS = 25;
    private static final int ASKED = 15;

    @Autowired
    private VisitStore store;

    @Autowired
    private ArrivalSums arrivals;

    /** The link with most visits when the season was a tenth of its size. */
    private @Nullable UUID hottest;

    @Test
    void pages_on_a_season() {
        Tenant tenant = tenant("Gadwall Gliders");
        Http person = http().signIn(tenant.email());
        String[] sources =
                IntStream.range(0, SOURCES).mapToObj(i -> "Shop " + i).toArray(String[]::new);
        for (int i = 0; i < CAMPAIGNS; i++) {
            http().issue(tenant.apiKey(), "https://gliders.example/", "Campaign " + i, sources);
        }
        LocalDate today = LocalDate.now(ZoneId.of("Europe/London"));
        Map<String, List<Double>> curve = new LinkedHashMap<>();
        int from = 0;
        for (int to : List.of(VISITS / 10, VISITS / 5, VISITS / 5 * 2, VISITS)) {
            fill(tenant, person, today, new Part(from, to));
            from = to;
            String period = "from=%s&to=%s".formatted(today.minusDays(DAYS - 1), today);
            for (String page : pages(tenant)) {
                curve.computeIfAbsent(page, any -> new ArrayList<>()).add(ask(person, page + period));
            }
            curve.computeIfAbsent("one plain statement", any -> new ArrayList<>())
                    .add(plain(tenant, today));
        }
        double plain = last(curve.getOrDefault("one plain statement", List.of()));
        curve.forEach((page, medians) -> say(
                "%s: medians at a tenth, a fifth, two fifths and all: %s ms; %.1f of one plain statement",
                page.replaceAll("[0-9a-f-]{36}", ""),
                medians.stream().map("%.0f"::formatted).collect(Collectors.joining(", ")),
                last(medians) / plain));
        same(tenant, today);
        carry(tenant);
    }

    private static double last(List<Double> medians) {
        return medians.get(medians.size() - 1);
    }

    private List<String> pages(Tenant tenant) {
        UUID hot = in(
                tenant,
                () -> jdbc.sql("select link_id from visit_sum group by 1 order by sum(visits) desc limit 1")
                        .query(UUID.class)
                        .single());
        hottest = hottest == null ? hot : hottest;
        return List.of(
                "/today?",
                "/links?",
                "/links/" + hottest + "?",
                "/links/none?",
                "/links/outgoing?",
                "/compare?",
                "/compare?by=campaign&",
                "/compare?by=link&",
                "/compare?by=country&",
                "/compare?by=month&",
                "/compare?with=before&",
                "/compare/behind/visits?",
                "/compare/behind/people?",
                "/outcomes?",
                "/spend?");
    }

    /** Visits of a season, by number. */
    private record Part(int from, int to) {}

    private void fill(Tenant tenant, Http person, LocalDate today, Part part) {
        say(
                "%,d visits put into the database in %.0f s",
                part.to() - part.from(), seconds(() -> come(tenant, today, part)));
        double made = seconds(() -> {
            person.form("/setup/visits", "/setup/visits/sums");
            for (int tries = 0; tries < 60 && !isMade(tenant); tries++) {
                try {
                    await("the sums are made", () -> isMade(tenant));
                } catch (AssertionError e) {
                    continue; // they are many
                }
            }
        });
        say(
                "sums of %,d made in %.0f s: %,d, %,d and %,d rows by kind, trait and person",
                part.to(),
                made,
                count(tenant, "select count(*) from visit_sum"),
                count(tenant, "select count(*) from visit_trait_sum"),
                count(tenant, "select count(*) from visit_person_sum"));
        roam(tenant, today, part);
    }

    /** The same sums, read by the one statement that a page of links cannot do without. */
    private double plain(Tenant tenant, LocalDate today) {
        double[] times = new double[ASKED];
        for (int i = 0; i < ASKED; i++) {
            times[i] = 1000
                    * seconds(() -> in(
                            tenant,
                            () -> jdbc.sql("""
                                            select link_id, kind, sum(visits) from visit_sum
                                            where counted and day between ? and ? group by 1, 2
                                            """)
                                    .params(today.minusDays(DAYS - 1), today)
                                    .query((row, number) -> row.getLong(3))
                                    .list()));
        }
        Arrays.sort(times);
        return times[ASKED / 2];
    }

    private boolean isMade(Tenant tenant) {
        return count(tenant, "select count(*) from visit_rebuild where finished_at >= asked_at") == 1;
    }

    /** Seven of ten come once; a sixth are not people's. */
    private void come(Tenant tenant, LocalDate today, Part part) {
        for (int month = 0; month <= DAYS / 28; month++) {
            LocalDate first = today.minusDays(DAYS).plusMonths(month);
            in(
                    tenant,
                    () -> jdbc.sql("select ensure_visit_month(?)")
                            .param(first)
                            .query((row, n) -> 1)
                            .list());
        }
        in(
                tenant,
                () -> jdbc.sql("""
                        with issued as materialized (
                            select row_number() over (order by id) - 1 as place, id, source_id, destination_id from link),
                        came as materialized (
                            select n, timestamptz '%s' + random() * interval '%d days' as at, random() as luck,
                                (power(random(), 2) * 999)::int as place, (random() * %d)::int as who
                            from generate_series(%d, %d) n)
                        insert into visit (arrived_at, click_id, business_id, link_id, source_id, destination_id, visitor,
                            kind, reason, referrer, user_agent, country, device, language, system, browser)
                        select c.at, gen_random_uuid(), current_business(), i.id, i.source_id, i.destination_id,
                            md5(case when luck < 0.7 then 'once' || n else 'often' || who end)::uuid,
                            case when luck < 0.83 then 'person' when luck < 0.93 then 'robot' else 'repeat' end, '',
                            case when n %% 3 = 0 then 'https://site-' || n %% 50 || '.example/page' else '' end, 'agent',
                            case when n %% 7 = 0 then 'IE' else 'GB' end, case when n %% 2 = 0 then 'phone' else 'computer' end,
                            'en', 'System ' || n %% 5, 'Browser ' || n %% 6
                        from came c join issued i on i.place = c.place
                        """.formatted(
                                today.minusDays(DAYS - 1), DAYS - 1, VISITS / 10 * 7, part.from() + 1, part.to()))
                        .update());
    }

    /** A tenth as many came to the site without a link, and a fortieth followed a link that leads away. */
    private void roam(Tenant tenant, LocalDate today, Part part) {
        in(
                tenant,
                () -> jdbc.sql("""
                        insert into site_arrival
                        select current_business(), gen_random_uuid(), timestamptz '%1$s' + random() * interval '%2$d days',
                            md5('site' || n %% %3$d)::uuid, case when n %% 10 = 0 then 'robot' else 'person' end, '', origin,
                            case when origin <> 'direct' then source end,
                            case when origin <> 'direct' then 'site-' || n %% 300 || '.example' else '' end,
                            case when origin <> 'direct' then 'https://site-' || n %% 300 || '.example/' || n %% 2000 else '' end,
                            'https://gliders.example/', 'phone'
                        from generate_series(%4$d, %5$d) n
                        cross join lateral (select (array['search', 'referral', 'social', 'direct'])[1 + n %% 4] as origin) o
                        cross join (select id as source from source order by id limit 1) s
                        """.formatted(
                                today.minusDays(DAYS - 1), DAYS - 1, VISITS / 14, part.from() / 10 + 1, part.to() / 10))
                        .update());
        double made = seconds(() -> in(tenant, () -> {
            arrivals.rebuild();
            return true;
        }));
        say("sums of %,d arrivals without a link made in %.0f s", part.to() / 10, made);
        in(
                tenant,
                () -> jdbc.sql("""
                        insert into outbound_click
                        select current_business(), gen_random_uuid(), timestamptz '%1$s' + random() * interval '%2$d days',
                            md5('site' || n)::uuid, 'person', 'gliders.example/page-' || n %% 40,
                            'https://shop-' || n %% 500 || '.example/', 'shop-' || n %% 500 || '.example'
                        from generate_series(%3$d, %4$d) n
                        """.formatted(today.minusDays(DAYS - 1), DAYS - 1, part.from() / 40 + 1, part.to() / 40))
                        .update());
    }

    /** The people of the season, as the sums and as the visits tell. */
    private void same(Tenant tenant, LocalDate today) {
        LocalDate first = today.minusDays(90);
        double[] took = new double[2];
        long[] people = new long[2];
        took[0] = seconds(() -> people[0] = count(tenant, """
                select sum(people) from visit_person_sum
                where scope = 'business' and day >= '%1$s' and day_before < '%1$s'
                """.formatted(first)));
        took[1] = seconds(() -> people[1] = count(tenant, """
                select count(distinct visitor) from visit where kind = 'person'
                    and arrived_at >= timestamp '%s' at time zone 'Europe/London'
                """.formatted(first)));
        assertThat(people[0]).isEqualTo(people[1]);
        say(
                "different people of half the season: %,d from the sums in %.1f ms, as many from the visits in %,.0f ms",
                people[0], took[0] * 1000, took[1] * 1000);
    }

    private double ask(Http person, String page) {
        double[] times = new double[ASKED];
        for (int i = -3; i < ASKED; i++) {
            double took = 1000
                    * seconds(() -> assertThat(person.get(page).statusCode()).isEqualTo(200));
            if (i >= 0) {
                times[i] = took;
            }
        }
        Arrays.sort(times);
        return times[ASKED / 2];
    }

    private void carry(Tenant tenant) {
        record Issued(UUID link, UUID source, UUID destination) {}
        List<Issued> links = in(
                tenant,
                () -> jdbc.sql("select id, source_id, destination_id from link")
                        .query((row, n) -> new Issued(
                                row.getObject(1, UUID.class),
                                row.getObject(2, UUID.class),
                                row.getObject(3, UUID.class)))
                        .list());
        Random random = new Random(4);
        List<LoggedVisit> visits = new ArrayList<>();
        for (int i = 0; i < 20_000; i++) {
            Issued link = links.get(random.nextInt(links.size()));
            Instant at = Instant.now().minus(Duration.ofMillis(random.nextInt(3_600_000)));
            visits.add(new LoggedVisit(
                    ClickId.of(at, random),
                    tenant.id(),
                    link.link(),
                    link.source(),
                    link.destination(),
                    UUID.randomUUID(),
                    "",
                    "GB",
                    "phone",
                    "",
                    Http.BROWSER,
                    "",
                    "",
                    "en",
                    ""));
        }
        double took = seconds(() -> {
            for (int from = 0; from < visits.size(); from += 2000) {
                store.store(visits.subList(from, from + 2000));
            }
        });
        say("beside them %,.0f more visits a second are stored, with their sums", visits.size() / took);
    }
}

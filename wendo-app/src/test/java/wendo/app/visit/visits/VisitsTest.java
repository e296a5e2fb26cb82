package wendo.app.visit.visits;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.config.AutowireCapableBeanFactory;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.site.Backlog;
import wendo.core.visits.ClickId;

class VisitsTest extends WendoTest {
    @Autowired
    private VisitStore store;

    @Autowired
    private AutowireCapableBeanFactory beans;

    @Autowired
    private Backlog backlog;

    @Autowired
    private VisitPipeline pipeline;

    private Tenant tenant;
    private String slug;

    @BeforeEach
    void issue() {
        tenant = tenant("Dotterel <Dinghies>");
        slug = http().issue(tenant.apiKey(), "https://dotterel.example/p?x=1#top", "Spring", "Postcards")
                .get(0);
        await(
                "the link is known",
                () -> http().send(http().request("/" + slug)
                                        .header("Host", tenant.host())
                                        .method("HEAD", HttpRequest.BodyPublishers.noBody()))
                                .statusCode()
                        == 302);
    }

    private Map<String, Long> kinds() {
        return in(tenant, () -> {
            Map<String, Long> kinds = new java.util.TreeMap<>();
            jdbc.sql("select kind, count(*) from visit group by kind").query(row -> {
                kinds.put(row.getString(1), row.getLong(2));
            });
            return kinds;
        });
    }

    @Test
    void a_visit_is_sent_on_with_tags_a_fresh_click_identifier_and_a_cookie() {
        HttpResponse<String> answer =
                http().visit(tenant.host() + ":" + port, slug.toUpperCase(java.util.Locale.ROOT) + "/");
        assertThat(answer.statusCode()).isEqualTo(302);
        assertThat(answer.headers().firstValue("Location").orElseThrow())
                .matches(
                        "https://dotterel\\.example/p\\?x=1&utm_source=postcards&utm_medium=print&utm_campaign=spring&wcl=[0-9a-z]{26}#top");
        assertThat(answer.headers().firstValue("Cache-Control")).hasValue("no-store");
        assertThat(answer.headers().firstValue("Set-Cookie").orElseThrow())
                .contains("wendo_visitor=", "HttpOnly", "SameSite=Lax");
        assertThat(Http.click(http().visit(tenant.host(), slug))).isNotEqualTo(Http.click(answer));
        await("both are stored", () -> kinds().equals(Map.of("person", 2L)));
    }

    @Test
    void visits_are_sorted_and_head_counts_as_nothing() {
        Http browser = http();
        browser.visit(tenant.host(), slug);
        browser.visit(tenant.host(), slug);
        http().send(http().request("/" + slug).header("Host", tenant.host()).setHeader("User-Agent", "curl/8.5.0"));
        http().send(http().request("/" + slug).header("Host", tenant.host()).header("Sec-Purpose", "prefetch"));
        http().send(http().request("/" + slug).header("Host", tenant.host()).setHeader("User-Agent", "WhatsApp/2.24"));
        await("all are stored", () -> kinds().equals(Map.of("person", 1L, "repeat", 1L, "robot", 1L, "preview", 2L)));
        assertThat(count(tenant, "select count(distinct visitor) from visit where kind in ('person', 'repeat')"))
                .isOne();
    }

    /** The first tap was stored by another process; it even came a little later. */
    @ParameterizedTest
    @ValueSource(ints = {-20, 20})
    void a_double_tap_over_two_processes_counts_once(int secondsApart) {
        Instant first = Instant.now();
        UUID visitor = UUID.randomUUID();
        VisitStore other = beans.createBean(VisitStore.class);
        store.store(List.of(visit(visitor, first), visit(UUID.randomUUID(), first)));
        LoggedVisit second = visit(visitor, first.plusSeconds(secondsApart));
        other.store(List.of(second));
        store.store(List.of(second)); // carried twice, as after a crash
        other.store(List.of(visit(visitor, first.plusSeconds(90))));
        assertThat(kinds()).isEqualTo(Map.of("person", 3L, "repeat", 1L));
    }

    /** One batch of the log can hold visits of any businesses, also of one that was deleted meanwhile. */
    @Test
    void visits_of_many_businesses_are_stored_together_each_counted_by_its_own_days() {
        Tenant other = tenant("Ruff Rowing");
        http().issue(other.apiKey(), "https://ruff.example/", "Spring", "Postcards");
        in(
                other,
                () -> jdbc.sql("update business set zone = 'Pacific/Auckland', version = version + 1")
                        .update());
        Instant at = Instant.parse("2026-06-30T22:59:50Z"); // 23:59 in London, 10:59 of the next day in Auckland
        UUID visitor = UUID.randomUUID();
        LoggedVisit own = visit(visitor, at);
        LoggedVisit theirs = of(other, other.id(), visitor, at.plusSeconds(5));
        LoggedVisit gone = of(tenant, new BusinessId(UUID.randomUUID()), visitor, at);
        store.store(List.of(own, theirs, gone));
        String days = "select string_agg(day || ' ' || kind || ' ' || visits, ',') from visit_sum";
        assertThat(in(tenant, () -> jdbc.sql(days).query(String.class).single()))
                .isEqualTo("2026-06-30 person 1");
        assertThat(in(other, () -> jdbc.sql(days).query(String.class).single()))
                .as("the same visitor's visit to another business is no repeat")
                .isEqualTo("2026-07-01 person 1");
        for (Tenant one : List.of(tenant, other)) {
            assertThat(count(one, "select count(*) from visit")).isOne();
            assertThat(count(one, "select sum(people) from visit_person_sum where scope = 'business'"))
                    .isOne();
        }
    }

    @Test
    void pages_with_figures_say_how_many_visits_are_still_arriving() {
        Http owner = http().signIn(tenant.email());
        try {
            backlog.tells(() -> 12_300);
            for (String page : List.of("/today", "/links")) {
                assertThat(owner.get(page).body()).contains("Still arriving: 12,300 visits.");
            }
            backlog.tells(() -> 500); // so few are on their way at any time
            assertThat(owner.get("/today").body()).doesNotContain("Still arriving");
        } finally {
            backlog.tells(pipeline::waiting);
        }
        await("none waits", () -> pipeline.waiting() == 0);
    }

    /** What a browser fetched ahead is no tap: whoever then taps has come. */
    @Test
    void who_taps_what_the_browser_fetched_ahead_counts() {
        Http browser = http();
        browser.visit(tenant.host(), slug);
        await("the first is stored", () -> kinds().equals(Map.of("person", 1L)));
        String cookie = in(
                tenant,
                () -> jdbc.sql("select visitor::text from visit")
                        .query(String.class)
                        .single());
        assertThat(UUID.fromString(cookie).version()).as("made with its moment").isEqualTo(7);
        UUID visitor = UUID.randomUUID();
        Instant now = Instant.now();
        LoggedVisit tap = visit(visitor, now);
        store.store(List.of(ahead(visit(visitor, now.minusSeconds(2)))));
        store.store(List.of(tap));
        assertThat(kinds()).isEqualTo(Map.of("person", 2L, "preview", 1L));
    }

    private static LoggedVisit ahead(LoggedVisit visit) {
        return new LoggedVisit(
                visit.click(),
                visit.business(),
                visit.link(),
                visit.source(),
                visit.destination(),
                visit.visitor(),
                "",
                "",
                "phone",
                "",
                visit.userAgent(),
                "prefetch",
                "",
                "en",
                "");
    }

    /** Taps of a few people, ten seconds apart, in one batch and in many: of each run of taps the first one counts. */
    @ParameterizedTest
    @ValueSource(ints = {1, 7, 100})
    void double_taps_are_the_same_in_batches_of_any_size(int batch) {
        Instant begun = Instant.now().minusSeconds(3600);
        List<LoggedVisit> taps = new java.util.ArrayList<>();
        for (int i = 0; i < 100; i++) {
            taps.add(visit(new UUID(4, i % 2), begun.plusSeconds(10L * i + (i >= 50 ? 60 : 0))));
        }
        for (int from = 0; from < taps.size(); from += batch) {
            store.store(taps.subList(from, Math.min(taps.size(), from + batch)));
        }
        assertThat(kinds()).isEqualTo(Map.of("person", 4L, "repeat", 96L));
    }

    @Test
    void backslashes_and_other_signs_of_a_copy_are_stored_as_they_came() {
        http().send(http().request("/" + slug)
                .header("Host", tenant.host())
                .setHeader("User-Agent", "Mozilla/5.0 \\N \\. back\\slash")
                .header("Referer", "https://r.example/?a=\\t"));
        await("it is stored", () -> kinds().equals(Map.of("person", 1L)));
        assertThat(in(
                        tenant,
                        () -> jdbc.sql("select user_agent || ' ' || referrer from visit")
                                .query(String.class)
                                .single()))
                .isEqualTo("Mozilla/5.0 \\N \\. back\\slash https://r.example/?a=\\t");
    }

    private LoggedVisit visit(UUID visitor, Instant at) {
        return of(tenant, tenant.id(), visitor, at);
    }

    /** Of the link of the owner, said to be of a business. */
    private LoggedVisit of(Tenant owner, BusinessId business, UUID visitor, Instant at) {
        return in(
                owner,
                () -> jdbc.sql("select id, source_id, destination_id from link")
                        .query((row, number) -> new LoggedVisit(
                                ClickId.of(at, new SplittableRandom()),
                                business,
                                row.getObject(1, UUID.class),
                                row.getObject(2, UUID.class),
                                row.getObject(3, UUID.class),
                                visitor,
                                "",
                                "",
                                "phone",
                                "",
                                "Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0",
                                "",
                                "",
                                "en",
                                ""))
                        .single());
    }

    @Test
    void hostile_headers_are_stored_harmlessly() {
        http().send(http().request("/" + slug)
                .header("Host", tenant.host())
                .setHeader("User-Agent", "Mozilla/5.0 \t'; drop table visit; -- " + "x".repeat(3000))
                .header("Referer", "https://r.example/?" + "y".repeat(5000))
                .header("Cookie", "wendo_visitor=not-an-identifier-but-as-long-as-one"));
        await("it is stored", () -> kinds().equals(Map.of("person", 1L)));
        assertThat(count(tenant, "select length(user_agent) + length(referrer) from visit"))
                .isEqualTo(2500);
    }

    @Test
    void an_address_that_leads_nowhere_says_so_in_the_business_name() {
        for (String path : List.of("", "nothing-here", "today", "sign-in", "a".repeat(4000))) {
            HttpResponse<String> answer = http().visit(tenant.host(), path);
            assertThat(answer.statusCode()).as(path).isEqualTo(404);
            assertThat(answer.body().replace("<p>Made with Wendo</p>", ""))
                    .contains("Dotterel &lt;Dinghies&gt;", "This address leads nowhere")
                    .doesNotContain("Sign in", "Wendo");
        }
        assertThat(http().send(http().request("/" + slug)
                                .header("Host", tenant.host())
                                .POST(HttpRequest.BodyPublishers.noBody()))
                        .statusCode())
                .isEqualTo(404);
        assertThat(http().visit(tenant.host(), "t/open.css").statusCode()).isEqualTo(200);
        assertThat(http().visit(tenant.host(), "t/nothing.css").statusCode()).isEqualTo(404);
    }
}

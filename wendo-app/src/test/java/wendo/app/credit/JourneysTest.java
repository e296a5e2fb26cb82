package wendo.app.credit;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.site.Texts;
import wendo.app.visit.visits.LoggedVisit;
import wendo.app.visit.visits.VisitStore;
import wendo.core.credit.ModelName;
import wendo.core.visits.ClickId;

/** Who is one person by what the website and sent links tell, and what the data-driven models learn from. */
class JourneysTest extends WendoTest {
    private static final Instant NOW = Instant.now().truncatedTo(ChronoUnit.MILLIS);

    @Autowired
    private VisitStore visits;

    @Autowired
    private JourneyStore journeys;

    /** One for all tests: a click identifier is nobody else's. */
    private static final Random RANDOM = new Random(5);

    private Tenant tenant;

    private record Issued(UUID link, UUID source, UUID destination, String name) {}

    private List<Issued> links = new ArrayList<>();

    @BeforeEach
    void issue() {
        tenant = tenant("Ruff Rowing");
        http().issue(tenant.apiKey(), "https://ruff.example/", "Spring", "Alder", "Birch", "Cedar");
        links = in(
                tenant,
                () -> jdbc.sql(
                                "select l.id, l.source_id, l.destination_id, s.name from link l join source s on s.id = l.source_id order by 4")
                        .query((row, n) -> new Issued(
                                row.getObject(1, UUID.class),
                                row.getObject(2, UUID.class),
                                row.getObject(3, UUID.class),
                                row.getString(4)))
                        .list());
    }

    /** Comes by the links with these initials, an hour apart, the last one an hour ago; says the click of the last one. */
    private ClickId come(UUID visitor, String initials) {
        return come(visitor, initials, NOW.minus(1, ChronoUnit.HOURS));
    }

    private ClickId come(UUID visitor, String initials, Instant last) {
        List<LoggedVisit> all = new ArrayList<>();
        for (int i = 0; i < initials.length(); i++) {
            char initial = initials.charAt(i);
            Issued link = links.stream()
                    .filter(one -> one.name().charAt(0) == initial)
                    .findFirst()
                    .orElseThrow();
            all.add(new LoggedVisit(
                    ClickId.of(last.minus(initials.length() - 1 - i, ChronoUnit.HOURS), RANDOM),
                    tenant.id(),
                    link.link(),
                    link.source(),
                    link.destination(),
                    visitor,
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
        visits.store(all);
        return all.get(all.size() - 1).click();
    }

    private void report(String kind, String reference, String more) {
        HttpResponse<String> answer = http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"%s\", \"reference\": \"%s\", \"value\": 10%s}".formatted(kind, reference, more));
        assertThat(answer.statusCode()).as(answer.body()).isLessThan(300);
        await(
                reference + " is handled",
                () -> count(
                                tenant,
                                "select count(*) from trail t join outcome o on o.id = t.outcome_id where reference = '%s'"
                                        .formatted(reference))
                        == 1);
    }

    private List<String> gathered() {
        in(tenant, () -> {
            journeys.make();
            return true;
        });
        return in(tenant, () -> jdbc.sql("""
                        select kind || ' ' || (select string_agg(coalesce(left(s.name, 1), '-'), '' order by place)
                                from unnest(sources) with ordinality as step (id, place) left join source s on s.id = step.id)
                            || ' ' || people || ' ' || converted as line
                        from journey order by line
                        """).query(String.class).list());
    }

    @Test
    void journeys_are_the_sources_in_their_order_each_stay_once_up_to_the_last_outcome_of_each_kind() {
        come(UUID.randomUUID(), "AAB");
        come(UUID.randomUUID(), "AB");
        come(UUID.randomUUID(), "C");
        ClickId bought = come(UUID.randomUUID(), "BCB");
        report("purchase", "P-1", ", \"clickId\": \"%s\"".formatted(bought));
        UUID booker = UUID.randomUUID();
        ClickId booked = come(booker, "A");
        report(
                "booking",
                "B-1",
                ", \"clickId\": \"%s\", \"occurredAt\": \"%s\"".formatted(booked, NOW.minus(30, ChronoUnit.MINUTES)));
        come(booker, "C", NOW.minus(10, ChronoUnit.MINUTES));
        assertThat(gathered())
                .containsExactly(
                        "booking A 1 1",
                        "booking AB 2 0",
                        "booking BCB 1 0",
                        "booking C 1 0",
                        "lead AB 2 0",
                        "lead AC 1 0",
                        "lead BCB 1 0",
                        "lead C 1 0",
                        "purchase AB 2 0",
                        "purchase AC 1 0",
                        "purchase BCB 1 1",
                        "purchase C 1 0");
        assertThat(in(tenant, () -> journeys.size(wendo.core.outcomes.OutcomeKind.PURCHASE)))
                .isEqualTo(new JourneyStore.Size(5, 1));
    }

    /** Asked by A, came again by C, booked: what led to asking ends at A, what led to booking does not. */
    @Test
    void the_journey_of_a_lead_ends_at_the_lead() {
        UUID asker = UUID.randomUUID();
        ClickId asked = come(asker, "A");
        report(
                "lead",
                "L-1",
                ", \"clickId\": \"%s\", \"occurredAt\": \"%s\"".formatted(asked, NOW.minus(30, ChronoUnit.MINUTES)));
        come(asker, "C", NOW.minus(10, ChronoUnit.MINUTES));
        report("booking", "B-5", ", \"clickId\": \"%s\"".formatted(asked));
        assertThat(gathered()).containsExactly("booking AC 1 1", "lead A 1 1", "purchase AC 1 0");
    }

    @Test
    void what_was_learned_shares_what_comes_after() {
        for (int i = 0; i < 4; i++) {
            ClickId click = come(UUID.randomUUID(), "A");
            report("booking", "B-" + i, ", \"clickId\": \"%s\"".formatted(click));
            come(UUID.randomUUID(), "B");
            come(UUID.randomUUID(), "B");
        }
        gathered();
        report("booking", "B-9", ", \"clickId\": \"%s\"".formatted(come(UUID.randomUUID(), "AB")));
        for (ModelName model : List.of(ModelName.MARKOV, ModelName.SHAPLEY)) {
            await(
                    Texts.of("common.model-name", model.name()),
                    () -> count(tenant, """
                            select coalesce(max(c.%s), 0) from credit c join outcome o on o.id = c.outcome_id
                            join source s on s.id = c.source_id where o.reference = 'B-9' and s.name = 'Alder'
                            """.formatted(CreditColumns.share(model))) == 1_000_000);
        }
        assertThat(count(tenant, """
                select c.linear_share from credit c join outcome o on o.id = c.outcome_id
                join source s on s.id = c.source_id where o.reference = 'B-9' and s.name = 'Alder'
                """))
                .as("nobody who came by Birch alone booked")
                .isEqualTo(500_000);
    }

    /** Two visits of a browser without a cookie are two visitors; the website's own cookie tells that it is one browser. */
    @Test
    void a_browser_that_landed_twice_is_one_person() {
        UUID browser = UUID.randomUUID();
        for (String initials : List.of("A", "C")) {
            ClickId click = come(UUID.randomUUID(), initials);
            in(
                    tenant,
                    () -> jdbc.sql("insert into landing values (?, ?, ?, 'https://ruff.example/', ?)")
                            .params(tenant.id().value(), click.uuid(), Timestamp.from(click.arrivedAt()), browser)
                            .update());
        }
        report("booking", "B-1", ", \"email\": \"ines@marsh.example\"");
        in(
                tenant,
                () -> jdbc.sql("update outcome set visitor = ?").param(browser).update());
        report("booking", "B-1", ", \"note\": \"blue boat\"");
        await(
                "both touches share it",
                () -> count(tenant, "select count(*) from credit where linear_share = 500000") == 2);
        assertThat(count(tenant, "select count(distinct person) from identity")).isOne();
        assertThat(in(
                        tenant,
                        () -> jdbc.sql("select distinct reason from identity_join")
                                .query(String.class)
                                .list()))
                .contains("this browser landed on the website from a link");
    }
}

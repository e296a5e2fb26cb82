package wendo.app.credit;

import static org.assertj.core.api.Assertions.assertThat;
import static wendo.app.bench.Bench.say;
import static wendo.app.bench.Bench.seconds;

import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.util.AopTestUtils;
import wendo.app.TestDatabase;
import wendo.app.WendoTest;
import wendo.app.outcome.outcomes.OutcomesRecorded;

/**
 * {@code ./wendo bench credit}: a million touches and fifty thousand outcomes credited under every model, in turn with one
 * SQL statement that finds and stores the last touch only.
 */
@Tag("bench")
class CreditBench extends WendoTest {
    private static final int TOUCHES = 1_000_000;
    private static final int VISITORS = 300_000;
    private static final int OUTCOMES = 50_000;
    private static final int DAYS = 170;
    private static final int ROUNDS = 3;
    private static final int SINGLE = 200;

    @Autowired
    private CreditRecalculation anew;

    @Autowired
    private CreditEditions editions;

    @Autowired
    private JourneyStore journeys;

    @Autowired
    private Crediting crediting;

    @Test
    void eight_models_beside_one_statement() throws SQLException {
        Tenant tenant = tenant("Gadwall Gliders");
        String[] sources = IntStream.range(0, 40).mapToObj(i -> "Shop " + i).toArray(String[]::new);
        http().issue(tenant.apiKey(), "https://gliders.example/", "Campaign", sources);
        say("%,d touches and %,d outcomes made in %.0f s", TOUCHES, OUTCOMES, seconds(() -> fill(tenant)));
        analyze();
        // Once before, which keeps what came with each outcome, as is done when it arrives.
        anew.run(tenant.id(), in(tenant, () -> editions.ask("as it arrives")));
        double[] ours = new double[ROUNDS];
        double[] rival = new double[ROUNDS];
        for (int round = 0; round < ROUNDS; round++) {
            rival[round] = seconds(() -> rival(tenant));
            resetPeaks();
            long edition = in(tenant, () -> editions.ask("measured"));
            ours[round] = seconds(() -> anew.creditAll(tenant.id(), edition));
        }
        Arrays.sort(ours);
        Arrays.sort(rival);
        long rows = count(tenant, "select count(*) from credit");
        assertThat(count(tenant, "select sum(linear_share) from credit")).isEqualTo(OUTCOMES * 1_000_000L);
        assertThat(count(tenant, "select count(*) from rival"))
                .isEqualTo(count(tenant, "select count(*) from credit where last_touch_share > 0"));
        say(
                "eight models computed and stored (%,d rows) in %.1f s, the heap at most %,d MB; the last touch by one statement in %.1f s; "
                        + "ratio %.1f, for each model %.2f",
                rows,
                ours[ROUNDS / 2],
                peakMegabytes(),
                rival[ROUNDS / 2],
                ours[ROUNDS / 2] / rival[ROUNDS / 2],
                ours[ROUNDS / 2] / rival[ROUNDS / 2] / 8);
        say(
                "gathering the journeys that two of them learn from takes %.1f s more",
                seconds(() -> in(tenant, () -> {
                    journeys.make();
                    return true;
                })));
        look(tenant, "select analyze_credit_tables()"); // as each night does
        single(tenant);
    }

    private void fill(Tenant tenant) {
        LocalDate today = LocalDate.now(ZoneId.of("Europe/London"));
        for (int month = 0; month <= DAYS / 28; month++) {
            LocalDate first = today.minusDays(DAYS).plusMonths(month);
            in(
                    tenant,
                    () -> jdbc.sql("select ensure_visit_month(?)")
                            .param(first)
                            .query((row, n) -> 1)
                            .list());
        }
        in(tenant, () -> jdbc.sql("""
                        with issued as materialized (
                            select row_number() over (order by id) - 1 as place, id, source_id, destination_id from link),
                        came as materialized (
                            select n, date_trunc('milliseconds', now() - interval '1 day' - random() * interval '%d days') as at,
                                (random() * 39)::int as place, (random() * %d)::int as who
                            from generate_series(1, %d) n)
                        insert into visit (arrived_at, click_id, business_id, link_id, source_id, destination_id, visitor,
                            kind, reason, referrer, user_agent, country, device, language, system, browser)
                        select c.at, (lpad(to_hex((extract(epoch from c.at) * 1000)::bigint), 12, '0') || '7'
                                || substr(md5(n::text), 1, 3) || '8' || substr(md5(n::text), 4, 15))::uuid,
                            current_business(), i.id, i.source_id, i.destination_id, md5('who' || who)::uuid,
                            'person', '', '', 'agent', 'GB', 'phone', 'en', 'System', 'Browser'
                        from came c join issued i on i.place = c.place
                        """.formatted(DAYS, VISITORS, TOUCHES)).update());
        look(tenant, "select analyze_visits()");
        in(tenant, () -> jdbc.sql("""
                        insert into outcome (id, business_id, kind, reference, reference_key, value_minor, occurred_at, recorded_at, click_id,
                            reported_by, status, refunded_minor, is_proof)
                        select gen_random_uuid(), current_business(),
                            case when n %% 3 = 0 then 'purchase' else 'booking' end, 'R-' || n, 'r-' || n, 1000 + n %% 9000,
                            arrived_at + random() * interval '20 hours', now(), click_id, 'server', 'open', 0, false
                        from (select click_id, arrived_at, row_number() over (order by click_id) as n from (
                            select distinct on (visitor) click_id, arrived_at, visitor from visit order by visitor, arrived_at desc
                            ) last order by md5(visitor::text) limit %d) chosen
                        """.formatted(OUTCOMES)).update());
        in(tenant, () -> jdbc.sql("""
                        insert into identity select gen_random_uuid(), current_business(), 'visitor', v.visitor::text, gen_random_uuid()
                        from outcome o cross join lateral (
                            select visitor from visit where click_id = o.click_id and arrived_at = click_time(o.click_id) offset 0) v
                        """).update());
        look(tenant, "select analyze_credit_tables()");
        in(tenant, () -> jdbc.sql("""
                        insert into trail select o.id, current_business(), i.id, null
                        from outcome o cross join lateral (
                            select visitor from visit where click_id = o.click_id and arrived_at = click_time(o.click_id) offset 0) v
                        join identity i on i.kind = 'visitor' and i.key = v.visitor::text
                        """).update());
    }

    /** So many new rows are planned badly until the database has looked at them. */
    private void look(Tenant tenant, String analyze) {
        in(tenant, () -> {
            jdbc.sql(analyze).query(row -> {});
            return true;
        });
    }

    private void analyze() throws SQLException {
        String name = jdbc.sql("select current_database()").query(String.class).single();
        try (var connection = TestDatabase.connect(System.getenv("WENDO_TEST_DB") + "/" + name, "postgres");
                var statement = connection.createStatement()) {
            statement.execute("""
                    create table rival (
                        business_id uuid not null, outcome_id uuid primary key references outcome, click_id uuid not null,
                        touched_at timestamptz not null, source_id uuid not null references source, link_id uuid not null,
                        share integer not null, minor bigint not null);
                    create table rival_outcome as
                        select o.id, o.business_id, o.occurred_at, o.kept_minor, v.visitor
                        from outcome o join visit v on v.click_id = o.click_id and v.arrived_at = click_time(o.click_id);
                    create index on rival (business_id, link_id);
                    create index on rival (business_id, touched_at);
                    grant all on rival, rival_outcome to wendo_app;
                    """);
            statement.execute("vacuum analyze");
        }
    }

    /** It is told the visitor of each outcome, and keeps fewer indexes. */
    private void rival(Tenant tenant) {
        in(tenant, () -> jdbc.sql("delete from rival").update());
        in(tenant, () -> jdbc.sql("""
                        insert into rival
                        select o.business_id, o.id, v.click_id, v.arrived_at, v.source_id, v.link_id, 1000000, o.kept_minor
                        from rival_outcome o
                        cross join lateral (
                            select click_id, arrived_at, source_id, link_id from visit
                            where visitor = o.visitor and kind = 'person' and arrived_at <= o.occurred_at
                                and arrived_at >= o.occurred_at - interval '30 days'
                            order by arrived_at desc limit 1) v
                        """).update());
    }

    /** New outcomes, one after another, each with all that crediting does: who it is, what came with it, every model. */
    private void single(Tenant tenant) {
        List<UUID> outcomes = in(
                tenant,
                () -> jdbc.sql("select id from outcome order by md5(id::text) limit " + SINGLE)
                        .query(UUID.class)
                        .list());
        Crediting direct = AopTestUtils.getUltimateTargetObject(crediting);
        double[] times = new double[SINGLE];
        for (int i = 0; i < SINGLE; i++) {
            UUID outcome = outcomes.get(i);
            in(
                    tenant,
                    () -> jdbc.sql("delete from credit_row where outcome_id = ?")
                            .param(outcome)
                            .update());
            OutcomesRecorded event = new OutcomesRecorded(tenant.id(), List.of(outcome));
            times[i] = 1000 * seconds(() -> direct.on(event));
        }
        Arrays.sort(times);
        say(
                "one new outcome credited in %.1f ms, 95 of a hundred in %.1f ms",
                times[SINGLE / 2], times[SINGLE * 95 / 100]);
    }

    private static List<MemoryPoolMXBean> heaps() {
        return ManagementFactory.getMemoryPoolMXBeans().stream()
                .filter(pool -> pool.getType() == MemoryType.HEAP)
                .toList();
    }

    private static void resetPeaks() {
        System.gc();
        heaps().forEach(MemoryPoolMXBean::resetPeakUsage);
    }

    private static long peakMegabytes() {
        return heaps().stream().mapToLong(pool -> pool.getPeakUsage().getUsed()).sum() / 1_000_000;
    }
}

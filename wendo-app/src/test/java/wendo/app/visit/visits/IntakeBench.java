package wendo.app.visit.visits;

import static org.assertj.core.api.Assertions.assertThat;
import static wendo.app.bench.Bench.say;
import static wendo.app.bench.Bench.seconds;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.postgresql.PGConnection;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.TestDatabase;
import wendo.app.WendoTest;
import wendo.core.visits.ClickId;

/**
 * {@code ./wendo bench intake}: a rush of a million visits out of the log into the database with their sums, beside a COPY
 * of the same rows into a copy of the table with its indexes and nothing else.
 */
@Tag("bench")
class IntakeBench extends WendoTest {
    private static final int VISITS = Integer.parseInt(System.getenv().getOrDefault("WENDO_BENCH_VISITS", "1000000"));
    private static final int BUSINESSES = 500;
    private static final int GROUP = 1000;

    /** A rush: two days, people of whom a third come again. */
    private static final int RUSH_SECONDS = 2 * 86_400;

    private static final List<String> AGENTS = List.of(
            Http.BROWSER,
            "Mozilla/5.0 (iPhone; CPU iPhone OS 18_5 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.5 Mobile/15E148 Safari/604.1",
            "Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/138.0.0.0 Mobile Safari/537.36",
            "Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.5 Safari/605.1.15");
    private static final List<String> COUNTRIES = List.of("GB", "GB", "GB", "GB", "IE", "FR", "NL", "");
    private static final List<String> REFERRERS =
            List.of("", "", "", "https://news.example/", "https://mail.example/read");

    @Autowired
    private VisitStore store;

    @TempDir
    private Path folder = Path.of("");

    private final Random random = new Random(21);

    private record Issued(Tenant tenant, UUID link, UUID source, UUID destination) {}

    @Test
    void a_rush_is_carried() throws Exception {
        List<Issued> one = issue(tenant("Greenshank Gear"), 40);
        double ours = carried("one business", one, 1);
        double limit = copied(one.get(0).tenant());
        say("(2) is %.2f of (1)", ours / limit);
        assertThat(count(one.get(0).tenant(), "select count(*) from visit")).isEqualTo(VISITS);
        double two = carried("one business, two carriers", issue(tenant("Redshank Rides"), 40), 2);
        say("(4) is %.2f of (2)", two / ours);
        List<Issued> many = new ArrayList<>();
        for (int i = 0; i < BUSINESSES; i++) {
            many.addAll(issue(tenant("Wader " + i), 1));
        }
        double mixed = carried(BUSINESSES + " businesses interleaved", many, 1);
        say("(3) is %.2f of (1)", mixed / limit);
        storage();
    }

    private List<Issued> issue(Tenant tenant, int links) {
        String[] sources = new String[links];
        for (int i = 0; i < links; i++) {
            sources[i] = "Source " + i;
        }
        http().issue(tenant.apiKey(), "https://waders.example/", "Rush", sources);
        return in(
                tenant,
                () -> jdbc.sql("select id, source_id, destination_id from link")
                        .query((row, number) -> new Issued(
                                tenant,
                                row.getObject(1, UUID.class),
                                row.getObject(2, UUID.class),
                                row.getObject(3, UUID.class)))
                        .list());
    }

    private LoggedVisit visit(List<Issued> links, Instant begun, int number) {
        Issued link = links.get(random.nextInt(links.size()));
        return new LoggedVisit(
                ClickId.of(at(begun, number), random),
                link.tenant().id(),
                link.link(),
                link.source(),
                link.destination(),
                visitor(begun, number),
                "",
                COUNTRIES.get(random.nextInt(COUNTRIES.size())),
                random.nextInt(4) == 0 ? "computer" : "phone",
                "",
                AGENTS.get(random.nextInt(AGENTS.size())),
                "",
                REFERRERS.get(random.nextInt(REFERRERS.size())),
                "en",
                "");
    }

    /** Two of three are new; the others came before, by a cookie that was given at their first visit. */
    private UUID visitor(Instant begun, int number) {
        int first = random.nextInt(3) == 0 ? random.nextInt(number + 1) : number;
        return ClickId.of(at(begun, first), new Random(first)).uuid();
    }

    private static Instant at(Instant begun, int number) {
        return begun.plusMillis(1000L * RUSH_SECONDS * number / VISITS);
    }

    /** Logs all visits first, so that only carrying them is measured. */
    private double carried(String what, List<Issued> links, int carriers) throws Exception {
        Instant begun = Instant.now().minusSeconds(RUSH_SECONDS);
        List<VisitLog> logs = new ArrayList<>();
        List<Thread> threads = new ArrayList<>();
        for (int i = 0; i < carriers; i++) {
            Path own = folder.resolve(what.replace(' ', '-') + i);
            VisitLog log = new VisitLog(own);
            logs.add(log);
            VisitLogReader reader = new VisitLogReader(log, store, own);
            threads.add(new Thread(reader::carryAll));
        }
        for (int number = 0; number < VISITS; number += GROUP) {
            List<LoggedVisit> group = new ArrayList<>();
            for (int i = number; i < Math.min(VISITS, number + GROUP); i++) {
                group.add(visit(links, begun, i));
            }
            CountDownLatch logged = new CountDownLatch(1);
            logs.get(number / GROUP % carriers).append(group, isOnDisk -> logged.countDown());
            logged.await();
        }
        double seconds = seconds(() -> {
            threads.forEach(Thread::start);
            threads.forEach(IntakeBench::join);
        });
        for (VisitLog log : logs) {
            log.close();
        }
        say("%s: %,d visits carried in %.1f s, %,.0f a second", what, VISITS, seconds, VISITS / seconds);
        return VISITS / seconds;
    }

    private static void join(Thread thread) {
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** The same rows into a copy of the table with all its indexes, and no sums. */
    private double copied(Tenant tenant) throws SQLException, IOException {
        String database = in(
                tenant,
                () -> jdbc.sql("select current_database()").query(String.class).single());
        try (Connection owner = TestDatabase.connectTo(database, "wendo_owner");
                Statement statement = owner.createStatement()) {
            statement.execute("create table visit_copy (like visit including indexes including defaults)");
            ByteArrayOutputStream rows = new ByteArrayOutputStream();
            var copy = owner.unwrap(PGConnection.class).getCopyAPI();
            copy.copyOut("copy (select * from visit order by arrived_at) to stdout (format binary)", rows);
            byte[] all = rows.toByteArray();
            double seconds = seconds(() -> {
                try {
                    copy.copyIn("copy visit_copy from stdin (format binary)", new ByteArrayInputStream(all));
                } catch (SQLException | IOException e) {
                    throw new IllegalStateException(e);
                }
            });
            say(
                    "(1) the same %,d rows copied into a copy of the table in %.1f s, %,.0f a second",
                    VISITS, seconds, VISITS / seconds);
            statement.execute("drop table visit_copy");
            return VISITS / seconds;
        }
    }

    private void storage() throws SQLException {
        Tenant any = tenant("Stint Stores");
        String database = in(
                any,
                () -> jdbc.sql("select current_database()").query(String.class).single());
        try (Connection owner = TestDatabase.connectTo(database, "wendo_owner");
                Statement statement = owner.createStatement();
                var row = statement.executeQuery("""
                        select (select count(*) from visit), (select sum(pg_total_relation_size(inhrelid))
                                from pg_inherits where inhparent = 'visit'::regclass),
                            (select sum(pg_total_relation_size(t::regclass)) from unnest(array['visit_sum', 'visit_month_sum',
                                'visit_trait_sum', 'visit_person_sum']) t)
                        """)) {
            row.next();
            say(
                    "%,d visits: %.0f bytes each with their indexes, %.0f of sums",
                    row.getLong(1), row.getDouble(2) / row.getLong(1), row.getDouble(3) / row.getLong(1));
        }
    }
}

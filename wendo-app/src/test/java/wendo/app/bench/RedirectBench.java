package wendo.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static wendo.app.bench.Bench.say;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wendo.app.AppProcess;
import wendo.app.Http;
import wendo.app.OwnPostgres;
import wendo.app.TestDatabase;
import wendo.app.WendoTest;

/**
 * {@code ./wendo bench redirect}: five million links, each visit on disk before it is answered, in turn with nginx
 * answering a bare 302, on the same cores as the load that wrk brings. With the database on, and stopped.
 */
@Tag("bench")
class RedirectBench extends WendoTest {
    private static final int LINKS = Integer.parseInt(System.getenv().getOrDefault("WENDO_BENCH_LINKS", "5000000"));
    private static final int ROUNDS = 3;
    private static final int SECONDS = 6;
    private static final int WARM_UP_SECONDS = 60;
    private static final int FORCED = 5_000;
    private static final int PAGE = 4096;
    private static final String HOST = "go.localhost";

    @TempDir
    private Path folder = Path.of("");

    /** What wrk measured; times in milliseconds. */
    private record Load(double perSecond, double p50, double p99) {}

    /** What the cores did since the machine began, in ticks (proc(5)): a virtual machine's are lent to others as well. */
    private record Cores(long all, long stolen) {
        private static final int STOLEN = 8;
        private static final int GUEST = 9; // is in the others already

        static Cores now() throws IOException {
            String[] ticks = Files.readAllLines(Path.of("/proc/stat")).get(0).split("\\s+", -1);
            return new Cores(
                    Arrays.stream(ticks, 1, GUEST).mapToLong(Long::parseLong).sum(), Long.parseLong(ticks[STOLEN]));
        }

        double stolenSince(Cores before) {
            return (double) (stolen - before.stolen) / (all - before.all);
        }
    }

    @Test
    void redirects_beside_nginx() throws Exception {
        int nginxPort = 18_099;
        Process nginx = nginx(nginxPort);
        try (OwnPostgres database = new OwnPostgres();
                AppProcess app =
                        new AppProcess(database.url(), folder, "-Xms6g", "-Xmx6g", "-Xmn1g", "-XX:+UseParallelGC")) {
            await("it answers", app::isUp);
            app.issue(app.key());
            copy(database);
            awaitLinks(app);
            say("%,d links known; the process holds %,d MB", LINKS, residentMegabytes(app.pid()));
            load(app.linkPort(), 32, WARM_UP_SECONDS);
            forced();
            compare("database on", app.linkPort(), nginxPort, 1);
            compare("database on", app.linkPort(), nginxPort, 32);
            database.stop();
            forced();
            compare("database stopped", app.linkPort(), nginxPort, 1);
            compare("database stopped", app.linkPort(), nginxPort, 32);
            database.start();
            catchUp(database);
        } finally {
            nginx.destroy();
        }
    }

    private Process nginx(int port) throws IOException {
        Path conf = folder.resolve("nginx.conf");
        Files.writeString(conf, """
                daemon off; pid %1$s/nginx.pid; error_log %1$s/nginx.log; worker_processes auto;
                events { worker_connections 512; }
                http { access_log off; keepalive_requests 100000000;
                    client_body_temp_path %1$s/b; proxy_temp_path %1$s/p; fastcgi_temp_path %1$s/f;
                    uwsgi_temp_path %1$s/u; scgi_temp_path %1$s/s;
                    server { listen 127.0.0.1:%2$d; return 302 "https://stay.example/"; } }
                """.formatted(folder, port));
        return new ProcessBuilder("/usr/sbin/nginx", "-c", conf.toString(), "-e", folder + "/nginx.log")
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("nginx.out").toFile())
                .start();
    }

    /** What the disk alone takes for a visit: 4 KB written over room made ahead and forced, as the visit log does it. */
    private void forced() throws IOException {
        Path file = folder.resolve("forced");
        Files.write(file, new byte[FORCED * PAGE]);
        double[] took = new double[FORCED];
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
            channel.force(true);
            for (int i = 0; i < FORCED; i++) {
                ByteBuffer page = ByteBuffer.wrap(new byte[PAGE]);
                long begun = System.nanoTime();
                channel.write(page, (long) i * PAGE);
                channel.force(false);
                took[i] = (System.nanoTime() - begun) / 1e6;
            }
        }
        Arrays.sort(took);
        say("the disk forces 4 KB: p50 %.3f ms, p99 %.3f ms", took[FORCED / 2], took[FORCED * 99 / 100]);
    }

    /** Copies of the one link, made by one statement that asks no trigger and keeps no index of words. */
    private void copy(OwnPostgres database) throws SQLException {
        long begun = System.nanoTime();
        try (Connection connection = TestDatabase.connect(database.url(), "postgres");
                Statement statement = connection.createStatement()) {
            statement.execute("set session_replication_role = replica");
            statement.execute("""
                    do $$ declare name text; begin
                        for name in select indexname from pg_indexes where tablename = 'link'
                            and indexdef not like '%UNIQUE%' loop execute format('drop index %I', name);
                        end loop;
                    end $$
                    """);
            statement.execute("""
                    insert into link (id, business_id, host_id, slug, skeleton, name, note, source_id, campaign_id,
                        destination_id, tagged_address, tags, labels, outside_address, is_paid, disclosure, created_at,
                        created_by)
                    select gen_random_uuid(), business_id, host_id, 'l' || lpad(n::text, 7, '0'), 'l' || lpad(n::text, 7, '0'),
                        'Board ' || n, '', source_id, campaign_id, destination_id, tagged_address || '&utm_content=' || n,
                        tags, '{}', '', false, '', created_at, created_by
                    from (select * from link limit 1) l, generate_series(0, %d) n
                    """.formatted(LINKS - 1));
            statement.execute("vacuum analyze link");
            statement.execute("checkpoint"); // or it writes these links down while it is measured
            statement.execute("select pg_notify('wendo_link_host', (select business_id::text from link limit 1))");
        }
        say("%,d links put into the database in %.0f s", LINKS, (System.nanoTime() - begun) / 1e9);
    }

    private void awaitLinks(AppProcess app) {
        long begun = System.nanoTime();
        boolean areKnown = false;
        while (!areKnown && System.nanoTime() - begun < TimeUnit.MINUTES.toNanos(8)) {
            try {
                await(
                        "all links are known",
                        () -> new Http(app.linkPort())
                                        .visit(HOST, "l%07d".formatted(LINKS - 1))
                                        .statusCode()
                                == 302);
                areKnown = true;
            } catch (AssertionError e) {
                continue; // they are many
            }
        }
        assertThat(areKnown).isTrue();
        say("known to the link host %.1f s after it was told of a change", (System.nanoTime() - begun) / 1e9);
    }

    private static long residentMegabytes(long pid) throws IOException {
        return Files.readAllLines(Path.of("/proc/%d/status".formatted(pid))).stream()
                        .filter(line -> line.startsWith("VmRSS"))
                        .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")))
                        .sum()
                / 1024;
    }

    /** In turn, so that both meet the same machine. */
    private void compare(String when, int ours, int nginx, int connections) throws IOException, InterruptedException {
        Load[] own = new Load[ROUNDS];
        Load[] bare = new Load[ROUNDS];
        Cores before = Cores.now();
        for (int round = 0; round < ROUNDS; round++) {
            bare[round] = load(nginx, connections, SECONDS);
            own[round] = load(ours, connections, SECONDS);
        }
        Load a = median(own);
        Load b = median(bare);
        say(
                "%s, %d connection(s): %,.0f/s, p50 %.2f ms, p99 %.2f ms; nginx %,.0f/s, %.2f ms, %.2f ms; "
                        + "ratios %.2f, %.2f, %.2f; other machines took %.0f %% of the cores",
                when,
                connections,
                a.perSecond(),
                a.p50(),
                a.p99(),
                b.perSecond(),
                b.p50(),
                b.p99(),
                a.perSecond() / b.perSecond(),
                a.p50() / b.p50(),
                a.p99() / b.p99(),
                100 * Cores.now().stolenSince(before));
    }

    private static Load median(Load[] rounds) {
        return new Load(
                Arrays.stream(rounds).mapToDouble(Load::perSecond).sorted().toArray()[ROUNDS / 2],
                Arrays.stream(rounds).mapToDouble(Load::p50).sorted().toArray()[ROUNDS / 2],
                Arrays.stream(rounds).mapToDouble(Load::p99).sorted().toArray()[ROUNDS / 2]);
    }

    private Load load(int port, int connections, int seconds) throws IOException, InterruptedException {
        Path script = folder.resolve("random.lua");
        Files.writeString(script, """
                local asked = {}
                init = function()
                    for i = 1, 20000 do
                        asked[i] = wrk.format("GET", string.format("/l%%07d", math.random(0, %d)))
                    end
                end
                local next = 0
                request = function()
                    next = next %% 20000 + 1
                    return asked[next]
                end
                """.formatted(LINKS - 1));
        Process wrk = new ProcessBuilder(
                        "wrk",
                        "-t1",
                        "-c" + connections,
                        "-d" + seconds + "s",
                        "--latency",
                        "-s",
                        script.toString(),
                        "-H",
                        "Host: " + HOST,
                        "-H",
                        "User-Agent: " + Http.BROWSER,
                        "http://127.0.0.1:" + port + "/")
                .redirectErrorStream(true)
                .start();
        String said = new String(wrk.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        wrk.waitFor();
        assertThat(said).doesNotContain("Socket errors", "Non-2xx or 3xx");
        return new Load(number(said, "Requests/sec:\\s+([\\d.]+)()"), time(said, "50%"), time(said, "99%"));
    }

    private static double time(String said, String share) {
        return number(said, share + "\\s+([\\d.]+)(us|ms|s)\\b");
    }

    private static double number(String said, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(said);
        assertThat(matcher.find()).as(said).isTrue();
        double number = Double.parseDouble(matcher.group(1));
        return switch (matcher.group(2)) {
            case "us" -> number / 1000;
            case "s" -> number * 1000;
            default -> number;
        };
    }

    /** How fast what waited in the log comes into the database. */
    private void catchUp(OwnPostgres database) throws SQLException {
        await("carrying goes on", () -> stored(database) > 0);
        long before = stored(database);
        long begun = System.nanoTime();
        await("20,000 are carried", () -> stored(database) >= before + 20_000);
        say(
                "afterwards %,.0f visits a second are carried into the database, with their sums",
                (stored(database) - before) / ((System.nanoTime() - begun) / 1e9));
    }

    private static long stored(OwnPostgres database) {
        try (Connection connection = TestDatabase.connect(database.url(), "wendo_owner");
                Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery("""
                        select coalesce(sum(visits), 0) from visit_sum where day >= current_date - 1
                        """)) {
            row.next();
            return row.getLong(1);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }
}

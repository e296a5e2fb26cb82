package wendo.app.visits;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wendo.app.Http;
import wendo.app.TestDatabase;
import wendo.app.WendoTest;
import wendo.core.visits.ClickId;

/** The application as a process of its own, killed with SIGKILL while it answers. */
class CrashTest extends WendoTest {
    private static final int CALLERS = 8;
    private static final int BEFORE_KILL = 2000;

    @TempDir
    private Path home = Path.of("");

    private final String database = TestDatabase.fresh();

    @Test
    void a_visit_that_was_answered_is_stored_and_a_session_lives_on() throws Exception {
        int ownPort = freePort();
        Process first = start(ownPort);
        Http caller = new Http(ownPort);
        Set<String> answered = new HashSet<>();
        Http person;
        String host = "go.localhost";
        try {
            await("it answers", () -> isUp(ownPort));
            String demoKey = Http.json(java.nio.file.Files.readString(home.resolve("demo.json")))
                    .get("apiKey")
                    .asString();
            String slug = caller.issue(demoKey, "https://stay.example/", "Crash", "Buoys")
                    .get(0);
            await("the link is known", () -> caller.visit(host, slug).statusCode() == 302);
            person = new Http(ownPort);
            person.form("/sign-in", "/sign-in", "email", "maren@marrampoint.example", "password", "slack-water-demo");
            answered.addAll(visitUntilKilled(first, ownPort, host, slug));
        } finally {
            first.destroyForcibly().waitFor();
        }
        Process second = start(ownPort);
        try {
            await("it answers again", () -> isUp(ownPort));
            assertThat(person.get("/today").statusCode()).as("still signed in").isEqualTo(200);
            await("all are stored", () -> stored(answered) == answered.size());
        } finally {
            second.destroyForcibly().waitFor();
        }
        System.err.printf(
                "Killed while answering: %d visits were answered, %d of them are stored.%n",
                answered.size(), stored(answered));
    }

    private Set<String> visitUntilKilled(Process process, int ownPort, String host, String slug)
            throws InterruptedException {
        ConcurrentLinkedQueue<String> clicks = new ConcurrentLinkedQueue<>();
        List<Thread> callers = new ArrayList<>();
        for (int i = 0; i < CALLERS; i++) {
            Thread thread = new Thread(() -> {
                Http http = new Http(ownPort);
                try {
                    while (true) {
                        clicks.add(Http.click(http.visit(host, slug)));
                        if (clicks.size() == BEFORE_KILL) {
                            process.destroyForcibly();
                        }
                    }
                } catch (java.io.UncheckedIOException e) {
                    // it is dead, as it should be
                }
            });
            callers.add(thread);
            thread.start();
        }
        for (Thread thread : callers) {
            thread.join(TimeUnit.SECONDS.toMillis(60));
        }
        assertThat(clicks).hasSizeGreaterThanOrEqualTo(BEFORE_KILL);
        return new HashSet<>(clicks);
    }

    private int stored(Set<String> clicks) {
        try (var connection = TestDatabase.connect(database, "wendo_owner");
                var statement = connection.prepareStatement("select count(*) from visit where click_id = any (?)")) {
            Object[] ids = clicks.stream()
                    .map(text -> ClickId.find(text).orElseThrow().uuid())
                    .toArray();
            statement.setArray(1, connection.createArrayOf("uuid", ids));
            try (var row = statement.executeQuery()) {
                row.next();
                return row.getInt(1);
            }
        } catch (java.sql.SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private Process start(int ownPort) throws IOException {
        ProcessBuilder builder = new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-Xmx512m",
                "-cp",
                System.getProperty("java.class.path"),
                "wendo.app.WendoApplication");
        builder.environment()
                .putAll(Map.of(
                        "WENDO_DB_URL",
                        database,
                        "WENDO_HOME",
                        home.toString(),
                        "WENDO_PORT",
                        String.valueOf(ownPort),
                        "WENDO_DEMO",
                        "true",
                        "SERVER_ADDRESS",
                        "127.0.0.1"));
        File log = home.resolve("app.log").toFile();
        return builder.redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log))
                .start();
    }

    private static boolean isUp(int ownPort) {
        try {
            return new Http(ownPort).get("/actuator/health/readiness").statusCode() == 200;
        } catch (java.io.UncheckedIOException e) {
            return false;
        }
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }
}

package wendo.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wendo.core.visits.ClickId;

/**
 * The application and its database as processes of their own, stopped and killed while links are answered and outcomes
 * are reported. What this proves: whatever process dies at whatever moment, what was answered is stored in the end. A
 * killed process leaves the operating system's cache behind; that visits are on disk when they are answered,
 * {@code ForcedTest} proves, and what the database has committed it forces by its own settings, which are looked at here.
 */
class CrashTest extends WendoTest {
    private static final String HOST = "go.localhost";
    private static final int CALLERS = 2;
    private static final int PEOPLE = 120;
    private static final int VISITS_AN_OUTCOME = 20;
    private static final long PACE = Duration.ofMillis(3).toNanos();

    @TempDir
    private Path home = Path.of("");

    private final Random random = new Random();
    private final ConcurrentLinkedQueue<String> answered = new ConcurrentLinkedQueue<>();
    private final ConcurrentLinkedQueue<String> accepted = new ConcurrentLinkedQueue<>();

    @Test
    void what_was_answered_is_stored_whatever_is_killed() throws Exception {
        try (OwnPostgres database = new OwnPostgres()) {
            Http person;
            String slug;
            try (AppProcess app = AppProcess.writing(database.url(), home, AppProcess.FAST_START)) {
                await("it answers", app::isUp);
                String key = app.key();
                slug = app.issue(key);
                person = app.owner();
                String mailing = mailing(database, person);
                List<Thread> callers = call(app, slug);
                callers.add(report(app, key));
                await("outcomes are accepted", () -> !accepted.isEmpty());
                awaitMore("visits come");
                Set<String> answeredBefore = new HashSet<>(answered);
                Set<String> acceptedBefore = new HashSet<>(accepted);
                String backedUp = command(
                        database.url(), home, "backup", home.resolve("backups").toString());
                assertThat(backedUp).contains("Backed up to", ".tar.gpg");
                awaitMore("links are answered after the backup as before");
                rehearse(database, answeredBefore, acceptedBefore);
                database.kill();
                awaitMore("links are answered without the database");
                awaitMore("and go on being answered");
                database.start();
                awaitMore("and with it again");
                database.stop();
                awaitMore("also while it is stopped in order");
                database.start();
                await("what waited is stored while visits come", () -> stored(database, 1) > 0);
                person.form("/audiences/mailings/" + mailing, "/audiences/mailings/" + mailing + "/start");
                await("the mailing is under way", () -> written().size() > 10 + random.nextInt(40));
                app.kill();
                for (Thread caller : callers) {
                    caller.join(TimeUnit.SECONDS.toMillis(60));
                }
            }
            List<String> withdrew = withdraw(database);
            try (AppProcess app = AppProcess.writing(database.url(), home, AppProcess.FAST_START)) {
                await("it answers again", app::isUp);
                assertThat(person.on(app.port()).get("/today").statusCode())
                        .as("still signed in")
                        .isEqualTo(200);
                int all = new HashSet<>(answered).size();
                await("all are stored", () -> stored(database, all) == all);
                assertThat(texts(database, "select reference from outcome")).containsAll(accepted);
                assertThat(texts(database, """
                                select setting from pg_settings
                                where name in ('fsync', 'synchronous_commit', 'full_page_writes')
                                """))
                        .as("what is committed is forced to disk")
                        .containsExactly("on", "on", "on");
                goesOn(database, withdrew);
                System.err.printf(
                        "Killed while answering: %d visits were answered, %d of them are stored; %d outcomes accepted.%n",
                        all, stored(database, all), accepted.size());
            }
        }
    }

    /** One that waits to be started, to people who agreed. */
    private static String mailing(OwnPostgres database, Http owner) {
        String link = texts(database, "select id::text from link").get(0);
        texts(database, "update business set quiet_from = '00:00', quiet_until = '00:00' returning id::text");
        TestMailing setting = new TestMailing(owner, link);
        setting.list(IntStream.range(0, PEOPLE).mapToObj(CrashTest::email).toList());
        await(
                "everybody is known",
                () -> texts(database, "select contact from audience_contact").size() >= PEOPLE);
        return setting.draft(
                setting.audience(),
                Map.of(
                        "name",
                        "Come back",
                        "road",
                        "email",
                        "link",
                        link,
                        "subject",
                        "Hello",
                        "body",
                        "Back? {link}",
                        "perMinute",
                        "600",
                        "heldOut",
                        "0"));
    }

    private static String email(int person) {
        return "crash.%d@post.example".formatted(person);
    }

    /** How many mails each person got who got one. */
    private static Map<String, Integer> written() {
        Map<String, Integer> written = new HashMap<>();
        for (int i = 0; i < PEOPLE; i++) {
            int mails = TestPost.instance().mailTo(email(i)).size();
            if (mails > 0) {
                written.put(email(i), mails);
            }
        }
        return written;
    }

    /** Some to whom nothing was handed on yet withdraw while nothing runs. */
    private static List<String> withdraw(OwnPostgres database) {
        List<String> gone = texts(database, """
                update consent_record set withdrawn_at = now(), withdrawn_how = 'office' where contact in (
                    select r.email from mailing_message m join recipient r on r.id = m.recipient_id
                    where m.state = 'waiting' order by r.email limit 20)
                returning contact""");
        assertThat(gone).as("it was killed before all was handed on").isNotEmpty();
        return gone;
    }

    /** A mail that was on its way when the process died may have left or not; nobody gets a second one. */
    private void goesOn(OwnPostgres database, List<String> withdrew) {
        await("the mailing goes on to its end", () -> texts(database, """
                        select recipient_id::text from mailing_message where state = 'waiting'
                        union all select id::text from outgoing where purpose = 'mailing' and state = 'waiting'""").isEmpty());
        Map<String, Integer> written = written();
        assertThat(written.values()).as("nobody was written to twice").containsOnly(1);
        assertThat(written).doesNotContainKeys(withdrew.toArray(String[]::new));
        long onTheirWay = texts(
                        database, "select id::text from outgoing where purpose = 'mailing' and state = 'sending'")
                .size();
        assertThat(written.size() + withdrew.size() + onTheirWay).isGreaterThanOrEqualTo(PEOPLE);
        System.err.printf(
                "Killed while a mailing went out: %d people, %d written to once, %d withdrew meanwhile, %d were on their way.%n",
                PEOPLE, written.size(), withdrew.size(), onTheirWay);
    }

    /** Runs a command of the installation's; answers what it says. */
    private static String command(String database, Path of, String... arguments) throws Exception {
        List<String> command = new ArrayList<>(List.of("bash", "../wendo"));
        command.addAll(List.of(arguments));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().putAll(TestDatabase.settings(database, of.toString()));
        builder.environment().put("WENDO_BACKUP_PASSPHRASE", "three shells and an otter");
        Process process = builder.start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        return said;
    }

    /** The backup, in an empty database and folder, has whatever was answered and accepted before it was made. */
    private void rehearse(OwnPostgres database, Set<String> answeredBefore, Set<String> acceptedBefore)
            throws Exception {
        String restored = database.another("restored");
        Path copy = home.resolve("copy");
        Path file;
        try (Stream<Path> files = Files.list(home.resolve("backups"))) {
            file = files.findFirst().orElseThrow();
        }
        assertThat(new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1))
                .as("encrypted")
                .doesNotContain("PGDMP");
        String said = command(restored, copy, "restore", file.toString());
        Set<String> stored = new HashSet<>(texts(restored, "select click_id::text from visit"));
        StringBuilder log = new StringBuilder();
        try (Stream<Path> files = Files.list(copy.resolve("visits"))) {
            for (Path one : files.toList()) {
                log.append(Files.readString(one, StandardCharsets.ISO_8859_1));
            }
        }
        assertThat(answeredBefore)
                .allMatch(click ->
                        stored.contains(ClickId.find(click).orElseThrow().uuid().toString())
                                || log.indexOf(click) >= 0);
        assertThat(texts(restored, "select reference from outcome")).containsAll(acceptedBefore);
        assertThat(texts(restored, "select count(*)::text from outgoing where state in ('waiting', 'sending')"))
                .as("the original sends what waited, and nobody else")
                .containsExactly("0");
        assertThat(Files.readString(copy.resolve("backup-notes"))).contains("\trestored\t");
        System.err.printf(
                "Backed up under load: %d visits were answered and %d outcomes accepted before; all are in the copy. %s%n",
                answeredBefore.size(), acceptedBefore.size(), said.strip());
    }

    /** One uses the port of the pages, one that of the links. */
    private List<Thread> call(AppProcess app, String slug) {
        List<Thread> callers = new ArrayList<>();
        for (int i = 0; i < CALLERS; i++) {
            Http http = new Http(i % 2 == 0 ? app.port() : app.linkPort());
            Thread caller = new Thread(() -> {
                try {
                    while (true) {
                        answered.add(Http.click(http.visit(HOST, slug)));
                        LockSupport.parkNanos(PACE); // what kills it needs the cores too
                    }
                } catch (java.io.UncheckedIOException e) {
                    // it is dead, as it should be
                }
            });
            callers.add(caller);
            caller.start();
        }
        return callers;
    }

    /** Reports outcomes one after the other, as a booking system does. */
    private Thread report(AppProcess app, String key) {
        Http http = new Http(app.port());
        Thread reporter = new Thread(() -> {
            try {
                for (int number = 1; true; number++) {
                    String reference = "B-" + number;
                    int soon = answered.size() + VISITS_AN_OUTCOME;
                    await("visits come", () -> answered.size() >= soon || !app.isAlive());
                    String outcome =
                            "{\"kind\": \"booking\", \"reference\": \"%s\", \"value\": 95}".formatted(reference);
                    if (http.post(key, "/api/v1/outcomes", outcome).statusCode() == 201) {
                        accepted.add(reference);
                    }
                }
            } catch (java.io.UncheckedIOException e) {
                // it is dead, as it should be
            }
        });
        reporter.start();
        return reporter;
    }

    private static List<String> texts(OwnPostgres database, String sql) {
        return texts(database.url(), sql);
    }

    private static List<String> texts(String database, String sql) {
        try (var connection = TestDatabase.connect(database, "postgres");
                var statement = connection.createStatement();
                var row = statement.executeQuery(sql)) {
            List<String> texts = new ArrayList<>();
            while (row.next()) {
                texts.add(row.getString(1));
            }
            return texts;
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private void awaitMore(String what) {
        int before = answered.size();
        int more = 100 + random.nextInt(400);
        await(what, () -> answered.size() > before + more);
    }

    private int stored(OwnPostgres database, int most) {
        Set<String> clicks = new HashSet<>(answered);
        try (var connection = TestDatabase.connect(database.url(), "wendo_owner");
                var statement = connection.prepareStatement("select count(*) from visit where click_id = any (?)")) {
            Object[] ids = clicks.stream()
                    .limit(most)
                    .map(text -> ClickId.find(text).orElseThrow().uuid())
                    .toArray();
            statement.setArray(1, connection.createArrayOf("uuid", ids));
            try (var row = statement.executeQuery()) {
                row.next();
                return row.getInt(1);
            }
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }
}

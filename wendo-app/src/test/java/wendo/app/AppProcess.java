package wendo.app;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** The application as a process of its own, with one business in it. */
public final class AppProcess implements AutoCloseable {
    /** Started and stopped within a test, it earns nothing by being compiled well. */
    public static final String[] FAST_START = {
        "-XX:TieredStopAtLevel=1",
        "-XX:+UseSerialGC",
        "-Xmx512m",
        "-XX:+UnlockDiagnosticVMOptions",
        "-XX:-BytecodeVerificationRemote",
        "-Dspring.data.jpa.repositories.bootstrap-mode=lazy"
    };

    private static final String OWNER = "ines@brantboats.example";

    private static final Map<String, String> OWNED = Map.of(
            "WENDO_BUSINESS", "Brant Boats", "WENDO_OWNER_EMAIL", OWNER, "WENDO_OWNER_PASSWORD", WendoTest.PASSWORD);

    private final int port;
    private final Http anybody; // asked again and again until it answers
    private final int linkPort;
    private final Path home;
    private final Process process;

    /** @param options for the virtual machine */
    public AppProcess(String database, Path home, String... options) throws IOException {
        this(database, home, OWNED, options);
    }

    /** One that nobody owns yet; the code that claims it is in its home. */
    public static AppProcess unclaimed(String database, Path home, String... options) throws IOException {
        return new AppProcess(database, home, Map.of(), options);
    }

    /** One whose mail goes to the tests' post office. */
    public static AppProcess writing(String database, Path home, String... options) throws IOException {
        Map<String, String> more = new HashMap<>(OWNED);
        more.putAll(TestPost.settings());
        return new AppProcess(database, home, more, options);
    }

    private AppProcess(String database, Path home, Map<String, String> owned, String... options) throws IOException {
        this.port = freePort();
        this.anybody = new Http(port);
        this.linkPort = freePort();
        this.home = home;
        List<String> command = new ArrayList<>(
                List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString()));
        command.addAll(List.of(options));
        command.addAll(List.of("-cp", System.getProperty("java.class.path"), "wendo.app.WendoApplication"));
        ProcessBuilder builder = new ProcessBuilder(command);
        builder.environment().putAll(TestDatabase.settings(database, home.toString()));
        builder.environment()
                .putAll(Map.of("WENDO_PORT", String.valueOf(port), "WENDO_LINK_PORT", String.valueOf(linkPort)));
        builder.environment().putAll(owned);
        File log = home.resolve("app.log").toFile();
        process = builder.redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log))
                .start();
    }

    public int port() {
        return port;
    }

    public int linkPort() {
        return linkPort;
    }

    public boolean isUp() {
        if (!process.isAlive()) {
            throw new AssertionError("The application stopped; its log is in " + home);
        }
        try {
            return anybody.get("/actuator/health/readiness").statusCode() == 200;
        } catch (java.io.UncheckedIOException e) {
            return false;
        }
    }

    /** The owner of the business, signed in. */
    public Http owner() {
        return new Http(port).signIn(OWNER);
    }

    /** A new key of the business. */
    public String key() {
        Http owner = owner();
        owner.form("/setup", "/setup/keys", "name", "Booking system");
        return WendoTest.keyOn(owner.get("/setup/keys").body());
    }

    /** Issues one link of the business by this key, and answers its slug. */
    public String issue(String key) {
        return new Http(port)
                .issue(key, "https://stay.example/", "Crash", "Buoys")
                .get(0);
    }

    public long pid() {
        return process.pid();
    }

    public boolean isAlive() {
        return process.isAlive();
    }

    /** SIGKILL. */
    public void kill() {
        process.destroyForcibly();
    }

    @Override
    public void close() throws InterruptedException {
        process.destroyForcibly().waitFor(30, TimeUnit.SECONDS);
    }

    static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }
}

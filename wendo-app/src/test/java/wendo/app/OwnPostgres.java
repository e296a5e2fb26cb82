package wendo.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.TimeUnit;

/** A PostgreSQL of a test's own that can be stopped, killed and started again. It forces what it commits to disk. */
public final class OwnPostgres implements AutoCloseable {
    private static final String BIN =
            Objects.requireNonNull(System.getenv("WENDO_PG_BIN"), "Run the tests by ./wendo test");
    private static final boolean IS_ROOT = System.getProperty("user.name").equals("root");

    private final Path folder;
    private final int port;

    public OwnPostgres() throws IOException, InterruptedException, SQLException {
        folder = Files.createTempDirectory(Path.of("/tmp"), "wendo-pg");
        port = AppProcess.freePort();
        if (IS_ROOT) {
            run("chown", "postgres", folder.toString());
        }
        asServer("initdb", "-U", "postgres", "-A", "trust", "-E", "UTF8", "--locale=C.UTF-8");
        start();
        try (Connection connection = TestDatabase.connect(url("postgres"), "postgres");
                Statement statement = connection.createStatement()) {
            statement.execute("create role wendo_owner login");
            statement.execute("create role wendo_app login noinherit");
            statement.execute("create role wendo_intake nologin");
            statement.execute("grant wendo_intake to wendo_app");
            statement.execute("create database wendo owner wendo_owner");
        }
    }

    private String url(String database) {
        return "jdbc:postgresql://127.0.0.1:%d/%s".formatted(port, database);
    }

    public String url() {
        return url("wendo");
    }

    /** One more database, with nothing in it. */
    public String another(String name) throws SQLException {
        try (Connection connection = TestDatabase.connect(url("postgres"), "postgres");
                Statement statement = connection.createStatement()) {
            statement.execute("create database " + name + " owner wendo_owner");
        }
        return url(name);
    }

    public void start() throws IOException, InterruptedException {
        String options = "-c listen_addresses=127.0.0.1 -c port=%d -c unix_socket_directories=''".formatted(port);
        asServer("pg_ctl", "-w", "-l", folder.resolve("server.log").toString(), "-o", options, "start");
    }

    /** Ends it in order. */
    public void stop() throws IOException, InterruptedException {
        asServer("pg_ctl", "-w", "-m", "fast", "stop");
    }

    /** Ends all its processes with SIGKILL. */
    public void kill() throws IOException, InterruptedException {
        long pid = Long.parseLong(
                Files.readAllLines(folder.resolve("postmaster.pid")).get(0));
        ProcessHandle postmaster = ProcessHandle.of(pid).orElseThrow();
        List<ProcessHandle> all = new ArrayList<>(postmaster.descendants().toList());
        all.add(0, postmaster);
        all.forEach(ProcessHandle::destroyForcibly);
        for (ProcessHandle one : all) {
            one.onExit().orTimeout(10, TimeUnit.SECONDS).join();
        }
    }

    private void asServer(String program, String... arguments) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>();
        if (IS_ROOT) {
            command.addAll(List.of("runuser", "-u", "postgres", "--"));
        }
        command.addAll(List.of(BIN + "/" + program, "-D", folder.toString()));
        command.addAll(Arrays.asList(arguments));
        run(command.toArray(String[]::new));
    }

    private void run(String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command)
                .directory(Path.of("/").toFile())
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        if (process.waitFor() != 0) {
            throw new IOException("Exit %d of %s".formatted(process.exitValue(), String.join(" ", command)));
        }
    }

    @Override
    public void close() throws IOException, InterruptedException {
        try {
            asServer("pg_ctl", "-w", "-m", "immediate", "stop");
        } finally {
            run("rm", "-rf", folder.toString());
        }
    }
}

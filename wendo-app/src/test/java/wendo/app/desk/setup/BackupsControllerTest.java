package wendo.app.desk.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wendo.app.platform.site.Installation;

class BackupsControllerTest {
    @TempDir
    private Path home = Path.of("");

    private BackupsController.BackupsPage page() throws IOException {
        Installation installation = new Installation(
                home,
                10,
                Duration.ofSeconds(1),
                "",
                "",
                "http://localhost:8080",
                "http://go.localhost:8080",
                new Installation.Mail("", 587, "", "", "wendo@localhost", "", "", ""),
                new Installation.Texts("", ""));
        return new BackupsController(installation).shown();
    }

    @Test
    void without_any_there_is_nothing_to_show() throws IOException {
        assertThat(page().backups()).isEmpty();
        assertThat(page().last()).isEmpty();
    }

    @Test
    void the_newest_comes_first_and_what_is_no_line_is_left_out() throws IOException {
        Files.writeString(home.resolve(BackupsController.FILE), """
                2026-11-01T03:00:00Z\tmade\t/srv/a.tar\t2049
                nonsense
                2026-11-02T03:00:00Z\tmade\t/srv/b.tar\tmany
                2026-11-02T03:00:00Z\trestored\t/srv/a.tar\t2049
                2026-11-03T03:00:00Z\tmade\t/srv/c.tar.gpg\t1
                """);
        assertThat(page().backups())
                .extracting(BackupsController.Backup::file)
                .containsExactly("c.tar.gpg", "a.tar", "a.tar");
        assertThat(page().last().orElseThrow().file()).isEqualTo("c.tar.gpg");
        assertThat(page().restored().orElseThrow().at()).isEqualTo("2026-11-02T03:00:00Z");
        assertThat(page().backups().get(1).kilobytes()).isEqualTo(3);
    }
}

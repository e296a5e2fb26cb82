package wendo.app.desk.setup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.ViewRecord;

/** When the installation was backed up last, and when restoring was tried. */
@Controller
class BackupsController {
    /** What the command that makes backups writes down, in the application's home. */
    static final String FILE = "backup-notes";

    private static final int SHOWN = 30;

    private final Installation installation;

    BackupsController(Installation installation) {
        this.installation = installation;
    }

    /** Something that the command did: it made a backup, or restored one. */
    record Backup(Instant at, boolean isRestored, String file, long bytes) {
        /** Empty for a line that is none. */
        static Optional<Backup> find(String line) {
            String[] parts = line.split("\t", -1);
            try {
                return parts.length == 4
                        ? Optional.of(new Backup(
                                Instant.parse(parts[0]),
                                parts[1].equals("restored"),
                                Optional.ofNullable(Path.of(parts[2]).getFileName())
                                        .map(Path::toString)
                                        .orElse(""),
                                Long.parseLong(parts[3])))
                        : Optional.empty();
            } catch (DateTimeException | IllegalArgumentException e) {
                return Optional.empty();
            }
        }

        public long kilobytes() {
            return (bytes + 1023) / 1024;
        }
    }

    record BackupsPage(Optional<Backup> last, Optional<Backup> restored, List<Backup> backups) {}

    @Needs(Permission.OWN)
    @GetMapping("/setup/backups")
    ModelAndView page() throws IOException {
        return ViewRecord.of("desk/setup/backups", shown());
    }

    BackupsPage shown() throws IOException {
        List<Backup> all = read();
        return new BackupsPage(
                all.stream().filter(one -> !one.isRestored()).findFirst(),
                all.stream().filter(Backup::isRestored).findFirst(),
                all.stream().limit(SHOWN).toList());
    }

    /** The newest first. */
    private List<Backup> read() throws IOException {
        Path file = installation.home().resolve(FILE);
        if (!Files.isReadable(file)) {
            return List.of();
        }
        List<Backup> all = new ArrayList<>();
        Files.readAllLines(file).forEach(line -> Backup.find(line).ifPresent(all::add));
        Collections.reverse(all);
        return List.copyOf(all);
    }
}

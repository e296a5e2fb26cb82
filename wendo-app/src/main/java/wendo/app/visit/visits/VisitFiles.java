package wendo.app.visit.visits;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** The numbered files of the visit log. */
record VisitFiles(Path folder, Disk disk) {
    private static final String SUFFIX = ".visits";
    private static final int DIGITS = 12;

    /** Makes the folder if it is not there. */
    static VisitFiles of(Path folder) throws IOException {
        return new VisitFiles(Files.createDirectories(folder), Disk.real());
    }

    /** Held until it is closed: two processes in one folder would write over each other's visits. */
    FileChannel lock() throws IOException {
        FileChannel channel =
                FileChannel.open(folder.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            if (channel.tryLock() != null) {
                return channel;
            }
        } catch (OverlappingFileLockException e) {
            channel.close();
            throw taken(e);
        }
        channel.close();
        throw taken(null);
    }

    private IllegalStateException taken(@Nullable Throwable cause) {
        return new IllegalStateException(
                "Another process logs visits in %s. Give each process a WENDO_HOME of its own.".formatted(folder),
                cause);
    }

    Path path(long number) {
        return folder.resolve(String.format(Locale.ROOT, "%0" + DIGITS + "d%s", number, SUFFIX));
    }

    /** Those that are there, in order. */
    List<Long> numbers() throws IOException {
        try (var files = Files.list(folder)) {
            return files.map(path -> path.getFileName().toString())
                    .filter(name -> name.matches("\\d{" + DIGITS + "}\\" + SUFFIX))
                    .map(name -> Long.parseLong(name.substring(0, DIGITS)))
                    .sorted()
                    .toList();
        }
    }

    /** A new file, to be written to; it is on disk that it is there. */
    VisitFile begin(long number) throws IOException {
        VisitFile file = new VisitFile(number, disk.begin(path(number)));
        disk.force(folder);
        return file;
    }
}

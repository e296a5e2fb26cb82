package wendo.app.visits;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The local log of answered visits. One thread writes what has queued up and forces it to disk once for all of it; only
 * then are their visitors answered. Files are named by number; each start begins a new one, and so does a full one.
 */
final class VisitLog implements AutoCloseable {
    static final String SUFFIX = ".visits";

    private static final Logger LOG = LoggerFactory.getLogger(VisitLog.class);

    /** Files stay small enough to be carried and deleted soon. */
    private static final long MAX_FILE_BYTES = 32L * 1024 * 1024;

    private static final int MAX_GROUP = 4096;

    private record Entry(ByteBuffer line, CompletableFuture<Boolean> onDisk) {}

    private final Path folder;
    private final BlockingQueue<Entry> queue = new LinkedBlockingQueue<>(100_000);
    private final Thread writer = new Thread(this::writeGroups, "visit-log");
    private volatile boolean closing;
    private volatile long currentNumber;
    private FileChannel file;

    VisitLog(Path folder) throws IOException {
        this.folder = Files.createDirectories(folder);
        this.currentNumber =
                numbers(folder).stream().mapToLong(Long::longValue).max().orElse(0) + 1;
        this.file = open(currentNumber);
        writer.start();
    }

    /** Completes with true once the visit is on disk, with false if it could not be written. */
    CompletableFuture<Boolean> append(LoggedVisit visit) {
        CompletableFuture<Boolean> onDisk = new CompletableFuture<>();
        if (closing || !queue.offer(new Entry(ByteBuffer.wrap(visit.line()), onDisk))) {
            onDisk.complete(false);
        }
        return onDisk;
    }

    /** The number of the file that is written to now; those before it are complete. */
    long currentNumber() {
        return currentNumber;
    }

    Path path(long number) {
        return path(folder, number);
    }

    static Path path(Path folder, long number) {
        return folder.resolve(String.format(java.util.Locale.ROOT, "%012d%s", number, SUFFIX));
    }

    List<Long> numbers() throws IOException {
        return numbers(folder);
    }

    private static List<Long> numbers(Path folder) throws IOException {
        try (var files = Files.list(folder)) {
            return files.map(path -> path.getFileName().toString())
                    .filter(name -> name.matches("\\d{12}\\" + SUFFIX))
                    .map(name -> Long.parseLong(name.substring(0, 12)))
                    .sorted()
                    .toList();
        }
    }

    private FileChannel open(long number) throws IOException {
        return FileChannel.open(path(number), StandardOpenOption.CREATE, StandardOpenOption.APPEND);
    }

    private void writeGroups() {
        List<Entry> group = new ArrayList<>();
        while (!closing || !queue.isEmpty()) {
            try {
                Entry first = queue.poll(200, TimeUnit.MILLISECONDS);
                if (first == null) {
                    continue;
                }
                group.add(first);
                queue.drainTo(group, MAX_GROUP);
                writeGroup(group);
            } catch (InterruptedException e) {
                closing = true;
            }
            group.clear();
        }
    }

    private void writeGroup(List<Entry> group) {
        boolean written = false;
        try {
            if (file.size() > MAX_FILE_BYTES) {
                file.close();
                file = open(currentNumber + 1);
                currentNumber = currentNumber + 1; // only this thread writes it
            }
            ByteBuffer bytes = ByteBuffer.allocate(
                    group.stream().mapToInt(entry -> entry.line().remaining()).sum());
            group.forEach(entry -> bytes.put(entry.line()));
            bytes.flip();
            while (bytes.hasRemaining()) {
                file.write(bytes);
            }
            file.force(false);
            written = true;
        } catch (IOException e) {
            LOG.error("{} visits could not be written to the log in {}", group.size(), folder, e);
        }
        for (Entry entry : group) {
            entry.onDisk().complete(written);
        }
    }

    @Override
    public void close() throws IOException {
        closing = true;
        try {
            writer.join(TimeUnit.SECONDS.toMillis(10));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        file.close();
    }
}

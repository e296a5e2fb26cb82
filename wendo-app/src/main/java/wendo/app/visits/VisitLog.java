package wendo.app.visits;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.LongAdder;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The local log of answered visits. One thread writes what has queued up and forces it to disk once for all of it; only
 * then are their visitors answered. Files are named by number; each start begins a new one, and so does a full one.
 */
final class VisitLog implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(VisitLog.class);

    /** Files stay small enough to be carried and deleted soon. */
    private static final long MAX_FILE_BYTES = 32L * 1024 * 1024;

    private static final int MAX_GROUP = 4096;

    /** A printed link never dies: if the disk takes longer than this, visitors go on, and their visits are written late. */
    private static final Duration PATIENCE = Duration.ofSeconds(2);

    /** A visit on its way to the disk; its visitor is answered once. */
    private record Entry(ByteBuffer line, Consumer<Boolean> answer, AtomicBoolean isAnswered) {
        void answer(boolean isOnDisk) {
            if (isAnswered.compareAndSet(false, true)) {
                answer.accept(isOnDisk);
            }
        }
    }

    private final VisitFiles files;
    private final BlockingQueue<Entry> queue = new LinkedBlockingQueue<>(100_000);
    private final Thread writer = new Thread(this::writeGroups, "visit-log");
    private final Thread watcher = new Thread(this::watch, "visit-log-patience");
    private volatile List<Entry> inWriting = List.of();
    private volatile long writingSince = Long.MAX_VALUE;
    private final LongAdder taken = new LongAdder();
    private volatile boolean closing;
    private volatile long currentNumber;
    private FileChannel file;

    /** What is written together, outside the heap, where the disk takes it from. Far longer than any line. */
    private final ByteBuffer lines = ByteBuffer.allocateDirect(256 * 1024);

    /** After a fault the file may end in half a line, which must not swallow the next one: a new file is begun. */
    private boolean isFaulty;

    VisitLog(Path folder) throws IOException {
        this(VisitFiles.of(folder));
    }

    VisitLog(VisitFiles files) throws IOException {
        this.files = files;
        this.currentNumber =
                files.numbers().stream().mapToLong(Long::longValue).max().orElse(0) + 1;
        this.file = files.append(currentNumber);
        writer.start();
        watcher.setDaemon(true);
        watcher.start();
    }

    /** Answers true once the visit is on disk; false if it could not be brought there, or not within two seconds. */
    void append(LoggedVisit visit, Consumer<Boolean> answer) {
        taken.increment();
        Entry entry = new Entry(ByteBuffer.wrap(visit.line()), answer, new AtomicBoolean());
        if (closing || !queue.offer(entry)) {
            LOG.error("The log did not take a visit that is answered all the same: {}", visit.click());
            entry.answer(false);
        }
    }

    /** How many visits were taken since the start. */
    long taken() {
        return taken.sum();
    }

    /** The number of the file that is written to now; those before it are complete. */
    long currentNumber() {
        return currentNumber;
    }

    Path path(long number) {
        return files.path(number);
    }

    List<Long> numbers() throws IOException {
        return files.numbers();
    }

    private void writeGroups() {
        while (!closing || !queue.isEmpty()) {
            try {
                Entry first = queue.poll(200, TimeUnit.MILLISECONDS);
                if (first == null) {
                    continue;
                }
                List<Entry> group = new ArrayList<>();
                group.add(first);
                queue.drainTo(group, MAX_GROUP);
                writeGroup(group);
            } catch (InterruptedException e) {
                closing = true;
            }
        }
    }

    private void writeGroup(List<Entry> group) {
        inWriting = group;
        writingSince = System.nanoTime();
        boolean written = false;
        try {
            write(group);
            written = true;
        } catch (IOException | RuntimeException e) { // whatever it is, the next visits are written again
            LOG.error("{} visits could not be written to the log in {}", group.size(), files.folder(), e);
        }
        writingSince = Long.MAX_VALUE;
        for (Entry entry : group) {
            entry.answer(written);
        }
    }

    private void write(List<Entry> group) throws IOException {
        if (isFaulty || file.size() > MAX_FILE_BYTES) {
            FileChannel full = file;
            file = files.append(currentNumber + 1);
            currentNumber = currentNumber + 1; // only this thread writes it
            isFaulty = false;
            full.close();
        }
        isFaulty = true;
        for (Entry entry : group) {
            if (entry.line().remaining() > lines.remaining()) {
                writeLines();
            }
            lines.put(entry.line());
        }
        writeLines();
        file.force(false);
        isFaulty = false;
    }

    private void writeLines() throws IOException {
        lines.flip();
        try {
            while (lines.hasRemaining()) {
                file.write(lines);
            }
        } finally {
            lines.clear(); // whatever failed is the fault of its own group
        }
    }

    private void watch() {
        long told = Long.MAX_VALUE;
        try {
            while (!closing) {
                TimeUnit.MILLISECONDS.sleep(250);
                long since = writingSince;
                if (since != Long.MAX_VALUE && System.nanoTime() - since > PATIENCE.toNanos()) {
                    if (told != since) { // once for each stall
                        LOG.error("The disk does not take visits; visitors are answered all the same");
                        told = since;
                    }
                    inWriting.forEach(entry -> entry.answer(false));
                    queue.forEach(entry -> entry.answer(false));
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
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

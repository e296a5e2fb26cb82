package wendo.app.visit.visits;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ConcurrentLinkedDeque;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
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

    private static final int MAX_GROUPS = 4096;
    private static final int MAX_WAITING = 100_000;

    /** Visits that the disk did not take: so many are kept in memory until it does. */
    private static final int MAX_LATE = 200_000;

    private static final Duration TRIED_AGAIN = Duration.ofSeconds(1);

    /** A printed link never dies: if the disk takes longer than this, visitors go on, and their visits are written late. */
    private static final Duration PATIENCE = Duration.ofSeconds(2);

    /** Visits on their way to the disk; their visitors are answered once. */
    private record Group(List<ByteBuffer> lines, Consumer<Boolean> answer, AtomicBoolean isAnswered) {
        void answer(boolean isOnDisk) {
            if (isAnswered.compareAndSet(false, true)) {
                try {
                    answer.accept(isOnDisk);
                } catch (RuntimeException e) { // a visitor's fault must not stop the log
                    LOG.error("Visitors could not be told that they can go on", e);
                }
            }
        }
    }

    private final VisitFiles files;
    private final FileChannel lock;
    private final BlockingQueue<Group> queue = new LinkedBlockingQueue<>();
    private final Semaphore room = new Semaphore(MAX_WAITING);
    private final Thread writer = new Thread(this::writeGroups, "visit-log");
    private final Thread watcher = new Thread(this::watch, "visit-log-patience");
    private volatile List<Group> inWriting = List.of();
    private volatile long writingSince = Long.MAX_VALUE;
    private final LongAdder taken = new LongAdder();
    private final LongAdder lost = new LongAdder();

    /** Of answered visits, the first first. Only the writer changes it. */
    private final Deque<ByteBuffer> late = new ConcurrentLinkedDeque<>();

    private final AtomicInteger lateCount = new AtomicInteger();
    private long triedAt;
    private volatile boolean closing;
    private volatile VisitFile file;

    /** After a fault the file may end in half a line, which must not swallow the next one: a new file is begun. */
    private boolean isFaulty;

    VisitLog(Path folder) throws IOException {
        this(VisitFiles.of(folder));
    }

    VisitLog(VisitFiles files) throws IOException {
        this.files = files;
        this.lock = files.lock();
        this.file = files.begin(
                files.numbers().stream().mapToLong(Long::longValue).max().orElse(0) + 1);
        writer.start();
        watcher.setDaemon(true);
        watcher.start();
    }

    /** Answers true once the visits are on disk; false if they could not be brought there, or not within two seconds. */
    void append(List<LoggedVisit> visits, Consumer<Boolean> answer) {
        taken.add(visits.size());
        List<ByteBuffer> lines =
                visits.stream().map(visit -> ByteBuffer.wrap(visit.line())).toList();
        Group group = new Group(lines, answer, new AtomicBoolean());
        if (closing || !room.tryAcquire(lines.size())) {
            LOG.error("The log did not take {} visits that are answered all the same", lines.size());
            lost.add(lines.size());
            group.answer(false);
        } else {
            queue.add(group);
        }
    }

    /** How many visits were taken since the start. */
    long taken() {
        return taken.sum();
    }

    /** How many answered visits wait in memory, since the disk does not take them. */
    int late() {
        return lateCount.get();
    }

    /** How many answered visits were neither written nor kept since the start. */
    long lost() {
        return lost.sum();
    }

    /** Whether visits can be logged at all. */
    boolean isAlive() {
        return writer.isAlive() && watcher.isAlive();
    }

    /** The file that is written to now; those before it are complete. */
    VisitFile current() {
        return file;
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
                Group first = queue.poll(200, TimeUnit.MILLISECONDS);
                List<Group> groups = new ArrayList<>();
                if (first != null) {
                    groups.add(first);
                    queue.drainTo(groups, MAX_GROUPS);
                }
                if (!groups.isEmpty() || isTimeToTryAgain()) {
                    writeTogether(groups);
                }
            } catch (InterruptedException e) {
                closing = true;
            } catch (Throwable e) { // whatever went wrong, the next visits are logged
                LOG.error("The log of visits goes on after a fault", e);
            }
        }
        if (!late.isEmpty()) {
            writeTogether(List.of());
        }
    }

    private boolean isTimeToTryAgain() {
        return !late.isEmpty() && System.nanoTime() - triedAt > TRIED_AGAIN.toNanos();
    }

    /** What came late before goes ahead of what comes now. */
    private void writeTogether(List<Group> groups) {
        inWriting = groups;
        writingSince = System.nanoTime();
        triedAt = writingSince;
        boolean written = false;
        try {
            List<ByteBuffer> lines = new ArrayList<>(late);
            groups.forEach(group -> lines.addAll(group.lines()));
            write(lines.stream().map(ByteBuffer::duplicate).toList());
            written = true;
        } catch (Throwable e) { // the disk is full or gone, or memory is: the next visits are written again
            LOG.error("Visits could not be written to the log in {}", files.folder(), e);
        }
        writingSince = Long.MAX_VALUE;
        if (written) {
            late.clear();
            lateCount.set(0);
        } else {
            groups.forEach(group -> group.lines().forEach(this::keepLate));
        }
        for (Group group : groups) {
            room.release(group.lines().size());
            group.answer(written);
        }
    }

    private void keepLate(ByteBuffer line) {
        if (lateCount.get() < MAX_LATE) {
            late.addLast(line);
            lateCount.incrementAndGet();
        } else {
            lost.increment();
        }
    }

    private void write(List<ByteBuffer> lines) throws IOException {
        if (isFaulty || file.end() > MAX_FILE_BYTES) {
            VisitFile full = file;
            file = files.begin(full.number() + 1); // only this thread writes it
            isFaulty = false;
            full.close();
        }
        isFaulty = true;
        file.write(lines);
        isFaulty = false;
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
                    inWriting.forEach(group -> group.answer(false));
                    queue.forEach(group -> group.answer(false));
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (RuntimeException e) {
            LOG.error("Nobody watches over the disk any more", e);
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
        try (lock) {
            file.close();
        }
    }
}

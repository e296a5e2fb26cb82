package wendo.app.visit.visits;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.atomic.LongAdder;
import java.util.function.BooleanSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.TransactionException;

/**
 * Carries the visit log into PostgreSQL, in order. How far it has come is kept beside the log; after a crash some lines
 * are carried again, which the store takes once.
 */
final class VisitLogReader {
    private static final Logger LOG = LoggerFactory.getLogger(VisitLogReader.class);
    static final int PORTION = 30_000;
    private static final int READ_BYTES = 16 * 1024 * 1024;

    /** A place in the log: the next line to carry. */
    private record Position(long file, long offset) {}

    /**
     * @param storing what stores its visits
     * @param lines those that are damaged too
     * @param isFull whether there are likely more after it
     */
    private record Batch(Runnable storing, int lines, boolean isFull, Position next) {}

    private final VisitLog log;
    private final VisitStore store;
    private final Path positionFile;
    private final LongAdder carried = new LongAdder();
    private final long leftOver;
    private Position position;

    VisitLogReader(VisitLog log, VisitStore store, Path folder) throws IOException {
        this.log = log;
        this.store = store;
        this.positionFile = folder.resolve("carried");
        this.position = readPosition();
        this.leftOver = countLines();
    }

    /** How many lines an earlier process has left. */
    long leftOver() {
        return leftOver;
    }

    /** How many lines were carried since the start. */
    long carried() {
        return carried.sum();
    }

    private long countLines() throws IOException {
        long lines = 0;
        for (long number : log.numbers()) {
            if (number >= position.file()) {
                lines += countLines(log.path(number), number == position.file() ? position.offset() : 0);
            }
        }
        return lines;
    }

    private static long countLines(Path file, long from) throws IOException {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            in.skipNBytes(Math.min(from, Files.size(file)));
            long lines = 0;
            for (int next = in.read(); next >= 0; next = in.read()) {
                lines += next == '\n' ? 1 : 0;
            }
            return lines;
        }
    }

    private Position readPosition() throws IOException {
        long first = log.numbers().stream().findFirst().orElse(1L);
        if (!Files.exists(positionFile)) {
            return new Position(first, 0);
        }
        String[] parts = Files.readString(positionFile).strip().split(" ", -1);
        Position kept = new Position(Long.parseLong(parts[0]), Long.parseLong(parts[1]));
        return kept.file() < first ? new Position(first, 0) : kept;
    }

    /** Carries all there is. While the database is away nothing moves and nothing is lost. */
    void carryAll() {
        carryWhile(PORTION, () -> true);
    }

    /** Carries so many at once, and more of them as long as this goes on. */
    void carryWhile(int portion, BooleanSupplier goesOn) {
        try {
            Optional<Batch> batch = read(portion, position);
            while (batch.isPresent()) {
                Optional<FutureTask<Optional<Batch>>> ahead =
                        goesOn.getAsBoolean() ? readAhead(portion, batch.get()) : Optional.empty();
                batch.get().storing().run();
                carried.add(batch.get().lines());
                moveTo(batch.get().next());
                if (!goesOn.getAsBoolean()) {
                    return;
                }
                batch = ahead.isPresent() ? ahead.get().get() : read(portion, position);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("Visits wait in the log, the database did not take them: {}", e.getMessage());
        } catch (IOException | ExecutionException | RuntimeException e) {
            LOG.error("Visits wait in the log; carrying them is tried again", e);
        }
    }

    /** While a full batch is stored the next one is read, if it is there: one core for each. */
    private Optional<FutureTask<Optional<Batch>>> readAhead(int portion, Batch batch) {
        if (!batch.isFull()) {
            return Optional.empty();
        }
        FutureTask<Optional<Batch>> ahead = new FutureTask<>(() -> read(portion, batch.next()));
        Thread thread = new Thread(ahead, "visit-reader");
        thread.setDaemon(true);
        thread.start();
        return Optional.of(ahead);
    }

    private Optional<Batch> read(int portion, Position position) throws IOException {
        VisitFile current = log.current();
        boolean complete = position.file() < current.number();
        if (!complete && current.end() <= position.offset()) { // as it is a hundred times a second on a quiet day
            return Optional.empty();
        }
        if (!Files.exists(log.path(position.file()))) {
            return complete ? Optional.of(skip(position)) : Optional.empty();
        }
        try (RandomAccessFile file =
                new RandomAccessFile(log.path(position.file()).toFile(), "r")) {
            file.seek(position.offset());
            long end = complete ? file.length() : current.end();
            byte[] bytes = new byte[(int) Math.min(READ_BYTES, end - position.offset())];
            file.readFully(bytes);
            Batch batch = parse(bytes, portion, position);
            if (batch.next().offset() > position.offset()) {
                return Optional.of(batch);
            }
        }
        return complete ? Optional.of(skip(position)) : Optional.empty();
    }

    private static Batch skip(Position position) {
        return new Batch(() -> {}, 0, false, new Position(position.file() + 1, 0));
    }

    private Batch parse(byte[] bytes, int portion, Position position) {
        List<LoggedVisit> visits = new ArrayList<>();
        int start = 0;
        int lines = 0;
        for (int i = 0; i < bytes.length && visits.size() < portion; i++) {
            if (bytes[i] == '\n') {
                String line = new String(bytes, start, i - start, StandardCharsets.UTF_8);
                LoggedVisit.find(line)
                        .ifPresentOrElse(visits::add, () -> LOG.warn("A damaged line of the visit log was left out"));
                start = i + 1;
                lines++;
            }
        }
        return new Batch(
                store.prepare(visits),
                lines,
                visits.size() == portion,
                new Position(position.file(), position.offset() + start));
    }

    private void moveTo(Position next) throws IOException {
        Path written = positionFile.resolveSibling("carried.new");
        try (FileChannel channel = FileChannel.open(
                written, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.TRUNCATE_EXISTING)) {
            channel.write(ByteBuffer.wrap((next.file() + " " + next.offset()).getBytes(StandardCharsets.US_ASCII)));
            channel.force(true); // or a crash of the machine could leave an empty file under the good name
        }
        Files.move(written, positionFile, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        if (next.file() > position.file()) {
            Files.deleteIfExists(log.path(position.file()));
        }
        position = next;
    }
}

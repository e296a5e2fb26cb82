package wendo.app.visit.visits;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.Backlog;
import wendo.app.platform.site.Installation;

/**
 * The way of a visit: logged before it is answered, carried into the database within moments. While links are very busy,
 * carrying holds back, for visits are safe in the log and people are waiting.
 */
@Component
public class VisitPipeline {
    private static final Logger LOG = LoggerFactory.getLogger(VisitPipeline.class);
    /** A visit on a quiet day waits no longer; what comes meanwhile is carried together. */
    private static final Duration EVERY = Duration.ofMillis(10);

    private static final double BUSY_PER_SECOND = 5000;

    /** Over less than that no rate can be told. */
    private static final Duration RATED_OVER = Duration.ofMillis(100);

    /** While links are busy carrying rests so long in turn. */
    private static final Duration HELD_BACK = Duration.ofSeconds(2);

    private static final int SMALL_PORTION = 200;

    private final VisitLog log;
    private final VisitLogReader carrier;
    private final ScheduledExecutorService carriage =
            Executors.newSingleThreadScheduledExecutor(task -> new Thread(task, "visit-carrier"));
    private volatile boolean stopping;
    private boolean isBusy;
    private long carriedAt = System.nanoTime();
    private long takenBefore;
    private long lookedAt = System.nanoTime();

    VisitPipeline(Installation installation, VisitStore store, Backlog backlog) throws IOException {
        Path folder = installation.home().resolve("visits");
        this.log = new VisitLog(folder);
        this.carrier = new VisitLogReader(log, store, folder);
        backlog.tells(this::waiting);
        // The carrier catches what can go wrong itself and is tried again; there is no result to wait for.
        var unused =
                carriage.scheduleWithFixedDelay(this::carry, EVERY.toMillis(), EVERY.toMillis(), TimeUnit.MILLISECONDS);
    }

    /** Answers true once the visits are on disk; false if they could not be brought there soon enough. */
    public void append(List<LoggedVisit> visits, Consumer<Boolean> answer) {
        log.append(visits, answer);
    }

    /** How many answered visits wait in memory, since the disk does not take them. */
    public int late() {
        return log.late();
    }

    /** How many answered visits of this process are not in the database yet. */
    public long waiting() {
        return Math.max(0, carrier.leftOver() + log.taken() - log.lost() - carrier.carried());
    }

    /** How many answered visits were lost since the start, since neither disk nor memory had room. */
    public long lost() {
        return log.lost();
    }

    /** Whether visits are logged and carried at all. */
    boolean isAlive() {
        return log.isAlive() && !carriage.isTerminated();
    }

    private void carry() {
        try {
            carryNow();
        } catch (Throwable e) { // or the scheduler would never call it again
            LOG.error("Carrying visits goes on after a fault", e);
        }
    }

    private void carryNow() {
        if (isBusy() && System.nanoTime() - carriedAt < HELD_BACK.toNanos()) {
            return;
        }
        carriedAt = System.nanoTime();
        carrier.carryWhile(isBusy ? SMALL_PORTION : VisitLogReader.PORTION, () -> !stopping && !isBusy());
    }

    /** Whether visits have come thick since this was last asked. */
    private boolean isBusy() {
        long now = System.nanoTime();
        if (now - lookedAt >= RATED_OVER.toNanos()) {
            long taken = log.taken();
            isBusy = (taken - takenBefore) * 1e9 / (now - lookedAt) > BUSY_PER_SECOND;
            takenBefore = taken;
            lookedAt = now;
        }
        return isBusy;
    }

    @PreDestroy
    void stop() throws IOException, InterruptedException {
        stopping = true;
        carriage.shutdown();
        log.close();
        if (carriage.awaitTermination(20, TimeUnit.SECONDS)) {
            carrier.carryAll();
        }
    }
}

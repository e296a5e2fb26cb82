package wendo.app.visits;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The road of a visit: logged before it is answered, carried into the database within moments. */
@Component
public class VisitRoad {
    private static final long CARRY_EVERY_MILLIS = 100;

    private final VisitLog log;
    private final VisitCarrier carrier;
    private final ScheduledExecutorService carriage =
            Executors.newSingleThreadScheduledExecutor(task -> new Thread(task, "visit-carrier"));

    VisitRoad(@Value("${wendo.home}") Path home, VisitStore store) throws IOException {
        Path folder = home.resolve("visits");
        this.log = new VisitLog(folder);
        this.carrier = new VisitCarrier(log, store, folder);
        // The carrier catches what can go wrong itself and is tried again; there is no result to wait for.
        var unused = carriage.scheduleWithFixedDelay(
                carrier::carryAll, CARRY_EVERY_MILLIS, CARRY_EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** Answers true once the visit is on disk; false if it could not be brought there soon enough. */
    public void append(LoggedVisit visit, Consumer<Boolean> answer) {
        log.append(visit, answer);
    }

    @PreDestroy
    void stop() throws IOException, InterruptedException {
        carriage.shutdown();
        carriage.awaitTermination(10, TimeUnit.SECONDS);
        log.close();
        carrier.carryAll();
    }
}

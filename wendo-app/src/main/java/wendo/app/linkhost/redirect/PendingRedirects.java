package wendo.app.linkhost.redirect;

import io.netty.channel.EventLoop;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import wendo.app.visit.visits.LoggedVisit;
import wendo.app.visit.visits.VisitPipeline;

/**
 * Visitors of one event loop who wait for their visits to be on disk. Those who came within one turn of the loop are
 * logged together and go on together, so that the loop and the log wake each other once for all of them. Only the loop
 * itself calls this.
 */
final class PendingRedirects {
    private static final Logger LOG = LoggerFactory.getLogger(PendingRedirects.class);

    private final EventLoop loop;
    private final VisitPipeline road;
    private List<LoggedVisit> visits = new ArrayList<>();
    private List<Runnable> waiting = new ArrayList<>();

    PendingRedirects(EventLoop loop, VisitPipeline road) {
        this.loop = loop;
        this.road = road;
    }

    /** @param goOn sends the visitor on, once the visit is on disk or could not be brought there soon enough */
    void add(LoggedVisit visit, Runnable goOn) {
        if (visits.isEmpty()) {
            loop.execute(this::logTogether); // runs after everything that this turn of the loop brings
        }
        visits.add(visit);
        waiting.add(goOn);
    }

    private void logTogether() {
        List<LoggedVisit> together = visits;
        List<Runnable> leaving = waiting;
        visits = new ArrayList<>();
        waiting = new ArrayList<>();
        try {
            road.append(together, isLogged -> loop.execute(() -> leaving.forEach(PendingRedirects::sendOn)));
        } catch (RuntimeException e) { // whatever it is, a printed link never dies
            LOG.error("{} visits could not be logged", together.size(), e);
            leaving.forEach(PendingRedirects::sendOn);
        }
    }

    private static void sendOn(Runnable visitor) {
        try {
            visitor.run();
        } catch (RuntimeException e) { // a fault with one visitor must not hold up the next
            LOG.error("A visitor could not be sent on", e);
        }
    }
}

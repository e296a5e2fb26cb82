package wendo.app.redirect;

import io.netty.channel.EventLoop;
import java.util.ArrayList;
import java.util.List;
import wendo.app.visits.LoggedVisit;
import wendo.app.visits.VisitRoad;

/**
 * Visitors of one event loop who wait for their visits to be on disk. Those who came within one turn of the loop are
 * logged together and go on together, so that the loop and the log wake each other once for all of them. Only the loop
 * itself calls this.
 */
final class Departures {
    private final EventLoop loop;
    private final VisitRoad road;
    private List<LoggedVisit> visits = new ArrayList<>();
    private List<Runnable> waiting = new ArrayList<>();

    Departures(EventLoop loop, VisitRoad road) {
        this.loop = loop;
        this.road = road;
    }

    /** @param goOn sends the visitor on, once the visit is on disk or could not be brought there soon enough */
    void add(LoggedVisit visit, Runnable goOn) {
        if (visits.isEmpty()) {
            loop.execute(this::logTogether); // after all that this turn brings
        }
        visits.add(visit);
        waiting.add(goOn);
    }

    private void logTogether() {
        List<Runnable> leaving = waiting;
        road.append(visits, isLogged -> loop.execute(() -> leaving.forEach(Runnable::run)));
        visits = new ArrayList<>();
        waiting = new ArrayList<>();
    }
}

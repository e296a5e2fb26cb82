package wendo.app.platform.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import org.springframework.context.SmartLifecycle;

/** Starts the jobs once everything they use is there, and lets those under way end before it goes. */
class JobsRunning implements SmartLifecycle {
    private final Scheduler scheduler;
    private volatile boolean running;

    JobsRunning(Scheduler scheduler) {
        this.scheduler = scheduler;
    }

    @Override
    public void start() {
        scheduler.start();
        running = true;
    }

    @Override
    public void stop() {
        scheduler.stop();
        running = false;
    }

    @Override
    public boolean isRunning() {
        return running;
    }
}

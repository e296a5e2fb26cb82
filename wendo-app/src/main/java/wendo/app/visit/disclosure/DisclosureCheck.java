package wendo.app.visit.disclosure;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The check of the business's own pages: asked for, under way, and what it found. */
@Service
class DisclosureCheck {
    /** So long after one the next may be asked for: nobody knocks on other people's servers by way of us. */
    static final Duration REST = Duration.ofMinutes(2);

    private final CheckedPageRepository pages;
    private final DisclosureRunRepository runs;
    private final SchedulerClient jobs;
    private final Clock clock;

    DisclosureCheck(CheckedPageRepository pages, DisclosureRunRepository runs, SchedulerClient jobs, Clock clock) {
        this.pages = pages;
        this.runs = runs;
        this.jobs = jobs;
        this.clock = clock;
    }

    /** Only pages with links that earn stay. */
    @Transactional
    void keep(OwnPages.Found found) {
        pages.forgetAll();
        found.pages().forEach((address, page) -> {
            if (page.earning() > 0) {
                pages.save(new CheckedPage(address, page, clock.instant()));
            }
        });
        DisclosureRun run = run();
        run.end(found.pages().size(), found.unreadable(), clock.instant());
        runs.save(run);
    }

    /** Something went wrong; what the last one found stays. */
    @Transactional
    void giveUp() {
        DisclosureRun run = run();
        run.giveUp();
        runs.save(run);
    }

    /** False if one ended a moment ago. One that is under way is asked for once. */
    @Transactional
    boolean ask() {
        DisclosureRun run = run();
        if (run.endedAt().filter(end -> end.plus(REST).isAfter(clock.instant())).isPresent()) {
            return false;
        }
        run.ask();
        runs.save(run);
        DisclosureJobs.ask(jobs, clock);
        return true;
    }

    @Transactional(readOnly = true)
    DisclosureRun run() {
        return runs.findAll().stream().findFirst().orElseGet(DisclosureRun::new);
    }

    @Transactional(readOnly = true)
    List<CheckedPage> pages() {
        return pages.all();
    }
}

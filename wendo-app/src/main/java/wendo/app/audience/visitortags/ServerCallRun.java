package wendo.app.audience.visitortags;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;

/** Makes the calls to ad desks that are due. No transaction waits for a desk. */
@Component
class ServerCallRun {
    private static final Logger LOG = LoggerFactory.getLogger(ServerCallRun.class);

    private final ServerCalls calls;
    private final VisitorTags tags;
    private final TagCounts counts;
    private final DeskCalls desks;
    private final Businesses businesses;
    private final TransactionTemplate transactions;
    private final Clock clock;

    ServerCallRun(
            ServerCalls calls,
            VisitorTags tags,
            TagCounts counts,
            DeskCalls desks,
            Businesses businesses,
            TransactionTemplate transactions,
            Clock clock) {
        this.calls = calls;
        this.tags = tags;
        this.counts = counts;
        this.desks = desks;
        this.businesses = businesses;
        this.transactions = transactions;
        this.clock = clock;
    }

    @Configuration
    static class Job {
        private static final int SECONDS = 2;

        @Bean
        RecurringTask<Void> visitorTagCallTask(ServerCallRun run) {
            return Tasks.recurring("visitor-tag-calls", FixedDelay.ofSeconds(SECONDS))
                    .execute((task, context) -> run.all());
        }
    }

    /** A fault in one business must not hold up the others. */
    void all() {
        for (UUID business : calls.businesses(clock.instant())) {
            try {
                BusinessScope.as(new BusinessId(business), () -> {
                    run();
                    return business;
                });
            } catch (Exception e) {
                LOG.error("The ad desks of business {} could not be called", business, e);
            }
        }
    }

    private void run() {
        Set<UUID> down = new HashSet<>();
        for (ServerCalls.Call call : calls.due(clock.instant())) {
            if (down.contains(call.tag())) {
                continue;
            }
            Optional<VisitorTags.Listed> tag = tags.find(call.tag()).filter(VisitorTags.Listed::isOn);
            if (tag.isEmpty() || call(tag.get().tag(), call)) { // a tag that was switched off calls nobody
                calls.done(call);
            } else {
                down.add(call.tag());
                postpone(call.tag());
            }
        }
    }

    private boolean call(DirectoryTag tag, ServerCalls.Call call) {
        return desks.call(tag, call.click(), tags.key(tag.id()), false).isTaken();
    }

    private void postpone(UUID tag) {
        calls.postpone(tag, clock.instant());
        int given = calls.giveUp(tag);
        if (given > 0) {
            LocalDate today =
                    LocalDate.ofInstant(clock.instant(), businesses.current().zone());
            transactions.executeWithoutResult(
                    status -> counts.add(Map.of(new TagCounts.Place(tag, today, TagResult.FAILED), (long) given)));
        }
    }
}

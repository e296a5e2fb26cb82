package wendo.app.visit.disclosure;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.io.Serializable;
import java.time.Clock;
import java.time.LocalTime;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;

/** Looks at a business's own pages when somebody asks, and each night where links earn. No transaction waits for a page. */
@Configuration
class DisclosureJobs {
    private static final String NAME = "disclosure-check";
    private static final LocalTime NIGHTLY = LocalTime.of(3, 40);
    private static final Logger LOG = LoggerFactory.getLogger(DisclosureJobs.class);

    record Job(UUID business) implements Serializable {
        private static final long serialVersionUID = 1;
    }

    @Bean
    OneTimeTask<Job> disclosureCheckTask(DisclosurePlans plans, DisclosureCheck check, OwnPages pages) {
        return Tasks.oneTime(NAME, Job.class)
                .execute((instance, context) ->
                        look(new BusinessId(instance.getData().business()), plans, check, pages));
    }

    @Bean
    RecurringTask<Void> disclosureNightlyTask(
            Businesses businesses, DisclosurePlans plans, DisclosureCheck check, OwnPages pages) {
        return Tasks.recurring("disclosure-nightly", Schedules.daily(NIGHTLY))
                .execute((task, context) -> businesses.all().forEach(business -> look(business, plans, check, pages)));
    }

    /** A fault in one business must not hold up the others, nor leave a check under way for ever. */
    static void look(BusinessId business, DisclosurePlans plans, DisclosureCheck check, OwnPages pages) {
        try {
            BusinessScope.as(business, () -> {
                look(plans, check, pages);
                return business;
            });
        } catch (Exception e) {
            giveUp(business, check);
            LOG.error("The pages of business {} could not be looked at", business.value(), e);
        }
    }

    private static void giveUp(BusinessId business, DisclosureCheck check) {
        try {
            BusinessScope.as(business, () -> {
                check.giveUp();
                return business;
            });
        } catch (Exception e) {
            LOG.error("The check of business {} could not be ended", business.value(), e);
        }
    }

    private static void look(DisclosurePlans plans, DisclosureCheck check, OwnPages pages) {
        DisclosurePlans.Plan plan = plans.plan();
        check.keep(
                plan.wanted().earning().isEmpty() ? OwnPages.Found.NOTHING : pages.read(plan.start(), plan.wanted()));
    }

    static void ask(SchedulerClient jobs, Clock clock) {
        UUID business = BusinessScope.current().value();
        jobs.scheduleIfNotExists(new TaskInstance<>(NAME, business.toString(), new Job(business)), clock.instant());
    }
}

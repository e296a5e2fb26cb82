/** Today: one sentence, what just came, and what needs a person. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "issue.alerts",
            "desk.welcome",
            "visit.visits",
            "outcome.outcomes",
            "money.spend",
            "compare.crosscheck",
            "compare.sql",
            "compare.table",
            "compare.verdict"
        })
@NullMarked
package wendo.app.desk.today;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

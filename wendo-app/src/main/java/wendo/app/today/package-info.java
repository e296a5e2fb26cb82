/** Today: one sentence, what just came, and what needs a person. */
@ApplicationModule(
        allowedDependencies = {
            "accounts",
            "alerts",
            "business",
            "compare",
            "crosscheck",
            "outcomes",
            "site",
            "spend",
            "visits"
        })
@NullMarked
package wendo.app.today;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

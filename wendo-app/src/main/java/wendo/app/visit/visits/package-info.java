/** Visits: the log that loses none, the store, and the daily sums. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "prepare.sources",
            "issue.links",
            "visit.sitetag"
        })
@NullMarked
package wendo.app.visit.visits;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

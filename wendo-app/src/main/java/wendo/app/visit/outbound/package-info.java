/** Links on the business's own pages that lead away: counted by patterns, each with what it is worth. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "visit.sitetag",
            "visit.visits"
        })
@NullMarked
package wendo.app.visit.outbound;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

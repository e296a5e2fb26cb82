/** Arrivals on the business's own site that no link brought: what led there, and which source it stands for. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "prepare.evidence",
            "prepare.sources",
            "visit.sitetag",
            "visit.visits"
        })
@NullMarked
package wendo.app.visit.arrivals;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

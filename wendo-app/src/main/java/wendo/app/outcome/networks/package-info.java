/** Partner networks: the sub-ID that goes out with a visit, and the postback that brings it back. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "prepare.sources",
            "issue.links",
            "visit.visits",
            "outcome.income",
            "outcome.outcomes"
        })
@NullMarked
package wendo.app.outcome.networks;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Outcomes: the site tag, the server call, the ledger. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.privacy",
            "platform.consent",
            "platform.site",
            "platform.tables",
            "prepare.sources",
            "visit.arrivals",
            "visit.sitetag",
            "visit.visits"
        })
@NullMarked
package wendo.app.outcome.outcomes;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

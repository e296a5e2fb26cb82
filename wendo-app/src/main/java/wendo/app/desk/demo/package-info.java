/** The demo business: a simulated season of Marram Point Sailing. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.consent",
            "platform.site",
            "prepare.campaigns",
            "prepare.sources",
            "issue.links",
            "visit.arrivals",
            "visit.sitetag",
            "visit.visits",
            "outcome.income",
            "outcome.outcomes",
            "place.subscribers",
            "audience.visitortags",
            "credit",
            "money.spend",
            "money.targets"
        })
@NullMarked
package wendo.app.desk.demo;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

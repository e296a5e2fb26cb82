/** Entry forms: hosted here for a business, shown before what a link leads to or on a page of their own. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.appearance",
            "platform.business",
            "platform.consent",
            "platform.site",
            "prepare.brands",
            "issue.links",
            "visit.sitetag",
            "visit.visits",
            "outcome.networks",
            "outcome.outcomes"
        })
@NullMarked
package wendo.app.lead.forms;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Visitor tags: ad desks' measuring code on links, with the consent it needs, and what was tagged, refused or failed. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.jobs",
            "platform.privacy",
            "platform.site",
            "platform.tables",
            "prepare.brands",
            "prepare.campaigns",
            "prepare.destinations",
            "issue.links",
            "visit.sitetag",
            "visit.visits"
        })
@NullMarked
package wendo.app.audience.visitortags;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

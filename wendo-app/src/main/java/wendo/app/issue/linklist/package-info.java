/** Keeping links: their list with its filters, changes of many at once, and the page of each. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "platform.tables",
            "prepare.brands",
            "prepare.campaigns",
            "prepare.sources",
            "issue.alerts",
            "issue.links"
        })
@NullMarked
package wendo.app.issue.linklist;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

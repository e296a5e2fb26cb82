/** Where a link leads: its destinations one after the other, its rules, and its split. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "prepare.destinations",
            "issue.links"
        })
@NullMarked
package wendo.app.issue.routes;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

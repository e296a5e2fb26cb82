/** Links: the desk they are issued from, their list, and what the link host knows of them. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "prepare.brands",
            "prepare.campaigns",
            "prepare.destinations",
            "prepare.sources"
        })
@NullMarked
package wendo.app.issue.links;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

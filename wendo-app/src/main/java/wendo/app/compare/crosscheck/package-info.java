/** Cross-check: our count and another system's for the same thing, side by side, and why they differ. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "platform.tables",
            "issue.links",
            "prepare.sources"
        })
@NullMarked
package wendo.app.compare.crosscheck;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** The visits, people and outcomes behind a number. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "credit",
            "compare.sql",
            "compare.table"
        })
@NullMarked
package wendo.app.compare.drilldown;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

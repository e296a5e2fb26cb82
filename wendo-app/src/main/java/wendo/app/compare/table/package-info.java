/** The comparison itself: groups side by side, each figure with how sure it is. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "credit",
            "money.targets",
            "compare.sql"
        })
@NullMarked
package wendo.app.compare.table;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

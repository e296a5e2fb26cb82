/** Keeping links: their list with its filters, changes of many at once, and the page of each. */
@ApplicationModule(
        allowedDependencies = {
            "accounts",
            "alerts",
            "business",
            "campaigns",
            "destinations",
            "links",
            "site",
            "sources",
            "tables"
        })
@NullMarked
package wendo.app.keep;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

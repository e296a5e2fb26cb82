/** The comparison as a page, a file, and a report that is shared. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "platform.tables",
            "compare.experiments",
            "compare.sql",
            "compare.table",
            "compare.verdict"
        })
@NullMarked
package wendo.app.compare.report;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

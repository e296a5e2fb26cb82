/** Batches: links by the hundreds from a file or a pasted table, with a report of every row before anything is made. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "platform.tables",
            "prepare.destinations",
            "issue.links"
        })
@NullMarked
package wendo.app.issue.batches;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

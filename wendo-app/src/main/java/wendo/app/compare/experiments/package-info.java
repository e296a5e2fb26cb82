/** Two groups side by side, the pages of a split link, people held out by lot. */
@ApplicationModule(
        allowedDependencies = {"platform.business", "platform.site", "audience.mailings", "compare.sql", "compare.table"
        })
@NullMarked
package wendo.app.compare.experiments;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

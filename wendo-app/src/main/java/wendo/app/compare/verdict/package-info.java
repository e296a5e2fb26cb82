/** What the figures allow to be said, in words. */
@ApplicationModule(allowedDependencies = {"platform.business", "platform.site", "compare.sql", "compare.table"})
@NullMarked
package wendo.app.compare.verdict;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

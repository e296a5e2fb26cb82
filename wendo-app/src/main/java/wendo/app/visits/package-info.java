/** Visits: the log that loses none, the store, and the daily sums. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "links", "site", "sitetag", "sources"})
@NullMarked
package wendo.app.visits;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

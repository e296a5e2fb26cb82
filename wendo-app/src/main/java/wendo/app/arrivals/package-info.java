/** Arrivals on the business's own site that no link brought: what led there, and which source it stands for. */
@ApplicationModule(
        allowedDependencies = {"accounts", "business", "evidence", "outcomes", "site", "sitetag", "sources", "visits"})
@NullMarked
package wendo.app.arrivals;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Cross-check: our count and another system's for the same thing, side by side, and why they differ. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "site", "sources", "tables"})
@NullMarked
package wendo.app.crosscheck;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

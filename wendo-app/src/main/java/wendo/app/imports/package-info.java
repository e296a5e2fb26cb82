/** Outcomes from files: partners' reports, till and booking exports. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "networks", "outcomes", "site", "sources", "tables"})
@NullMarked
package wendo.app.imports;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Destinations: the pages that links lead to, with their health. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "site"})
@NullMarked
package wendo.app.destinations;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Targets: the most that a lead, a booking or a purchase may cost, for the business and for single sources. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "site", "sources"})
@NullMarked
package wendo.app.targets;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

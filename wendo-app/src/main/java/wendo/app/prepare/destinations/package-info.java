/** Destinations: the pages that links lead to, with their health. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site"})
@NullMarked
package wendo.app.prepare.destinations;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

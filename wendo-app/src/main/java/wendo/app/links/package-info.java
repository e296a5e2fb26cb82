/** Links: sources, campaigns, destinations, issuing, the list, and what the link host knows. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "site"})
@NullMarked
package wendo.app.links;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Links: the desk they are issued from, their list, and what the link host knows of them. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "campaigns", "destinations", "site", "sources"})
@NullMarked
package wendo.app.links;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

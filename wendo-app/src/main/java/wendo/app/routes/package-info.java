/** Where a link leads: its destinations one after the other, its rules, and its split. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "destinations", "links", "site"})
@NullMarked
package wendo.app.routes;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

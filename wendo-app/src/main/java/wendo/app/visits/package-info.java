/** Visits: the link host's answers, the log that loses none, and the store. */
@ApplicationModule(allowedDependencies = {"business", "links", "site", "sources"})
@NullMarked
package wendo.app.visits;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

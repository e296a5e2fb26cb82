/** Batches: links by the hundreds from a file or a pasted table, with a report of every row before anything is made. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "destinations", "links", "site", "tables"})
@NullMarked
package wendo.app.batches;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

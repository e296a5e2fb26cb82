/** Links on the business's own pages that lead away: counted by patterns, each with what it is worth. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "site", "sitetag", "visits"})
@NullMarked
package wendo.app.outbound;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Spend: what each source cost, as entered. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "campaigns", "site", "sources", "tables"})
@NullMarked
package wendo.app.spend;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

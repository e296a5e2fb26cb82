/** Compare: sources side by side, each figure with how sure it is. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "credit", "site", "spend", "tables", "targets"})
@NullMarked
package wendo.app.compare;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

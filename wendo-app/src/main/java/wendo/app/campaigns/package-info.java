/** Campaigns: pushes with a start, an end and a budget that links belong to. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "site"})
@NullMarked
package wendo.app.campaigns;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

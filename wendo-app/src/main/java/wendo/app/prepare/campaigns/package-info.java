/** Campaigns: pushes with a start, an end and a budget that links belong to. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site"})
@NullMarked
package wendo.app.prepare.campaigns;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

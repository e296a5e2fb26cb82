/** The site tag's calls: who may call, and what came within the last day. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site", "issue.links"})
@NullMarked
package wendo.app.visit.sitetag;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

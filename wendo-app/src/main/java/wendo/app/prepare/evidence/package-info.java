/** Evidence without a visit: codes given at the till, customers' own answers, and what matched nothing. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site", "prepare.sources"})
@NullMarked
package wendo.app.prepare.evidence;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Evidence without a visit: codes given at the till, customers' own answers, and what matched nothing. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "site", "sources"})
@NullMarked
package wendo.app.evidence;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Targets: the most that a lead, a booking or a purchase may cost, for the business and for single sources. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site", "prepare.sources"})
@NullMarked
package wendo.app.money.targets;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

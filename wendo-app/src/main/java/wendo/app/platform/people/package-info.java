/** The people of a business: invited, given a role, handed over from and taken out. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site"})
@NullMarked
package wendo.app.platform.people;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

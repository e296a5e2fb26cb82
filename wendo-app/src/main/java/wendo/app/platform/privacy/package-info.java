/** Privacy: everything that is known of one person, handed over or erased. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site"})
@NullMarked
package wendo.app.platform.privacy;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** People: signing in, the business they work in, and keys for programs. */
@ApplicationModule(allowedDependencies = {"platform.business", "platform.site"})
@NullMarked
package wendo.app.platform.accounts;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** People: signing in, the business they work in, and keys for programs. */
@ApplicationModule(allowedDependencies = {"business", "site"})
@NullMarked
package wendo.app.accounts;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** A business takes everything along, and is deleted once its owners had time to think again. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site"})
@NullMarked
package wendo.app.platform.closing;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

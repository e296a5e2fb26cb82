/** The business that everything belongs to, and the wall between businesses. */
@ApplicationModule(allowedDependencies = {})
@NullMarked
package wendo.app.platform.business;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

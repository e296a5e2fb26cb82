/** The frame around every page: bar, season ribbon, period, figures, faults. */
@ApplicationModule(allowedDependencies = {})
@NullMarked
package wendo.app.platform.site;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** How a business appears on pages that everybody can open: logo, colour, address, imprint. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site"})
@NullMarked
package wendo.app.platform.appearance;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Brands: the names that a business trades under, each with a logo, sites, and who asks its visitors for consent. */
@ApplicationModule(
        allowedDependencies = {"platform.accounts", "platform.appearance", "platform.business", "platform.site"})
@NullMarked
package wendo.app.prepare.brands;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

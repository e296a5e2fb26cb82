/** What a business says in its own words on pages for everybody. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site"})
@NullMarked
package wendo.app.platform.wording;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

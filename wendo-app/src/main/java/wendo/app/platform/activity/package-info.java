/** Activity: who did what in the business, and from what to what. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site", "platform.tables"})
@NullMarked
package wendo.app.platform.activity;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Alerts: who is told of the visits of a link, in the application and by mail. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "links", "sending", "site"})
@NullMarked
package wendo.app.alerts;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Alerts: who is told of the visits of a link, in the application and by mail. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.sending",
            "platform.site",
            "issue.links"
        })
@NullMarked
package wendo.app.issue.alerts;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Setup: the list of what can be set up, the business and its API keys. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.appearance",
            "platform.business",
            "platform.privacy",
            "platform.site",
            "platform.tables",
            "issue.links",
            "desk.welcome"
        })
@NullMarked
package wendo.app.desk.setup;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

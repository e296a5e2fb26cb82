/** Text messages with a link in them, and personal links for each of their recipients. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.privacy",
            "platform.consent",
            "platform.sending",
            "platform.site",
            "platform.tables",
            "issue.links"
        })
@NullMarked
package wendo.app.place.messages;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

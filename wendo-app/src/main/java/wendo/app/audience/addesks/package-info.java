/** Ad desks: audiences kept on their lists as hashed contacts, by consent, added and removed every day. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.consent",
            "platform.jobs",
            "platform.site",
            "prepare.destinations",
            "audience.audiences"
        })
@NullMarked
package wendo.app.audience.addesks;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

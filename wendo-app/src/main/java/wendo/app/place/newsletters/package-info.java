/** Newsletters: markup with the sender's own placeholder, and links that subscribe whoever arrives by them. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.privacy",
            "platform.consent",
            "platform.site",
            "platform.tables",
            "prepare.sources",
            "issue.links",
            "visit.visits",
            "place.subscribers"
        })
@NullMarked
package wendo.app.place.newsletters;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

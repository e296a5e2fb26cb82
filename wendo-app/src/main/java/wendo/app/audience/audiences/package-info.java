/** Audiences: the people a business can write to, in groups by what they did. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.activity",
            "platform.business",
            "platform.consent",
            "platform.jobs",
            "platform.privacy",
            "platform.sending",
            "platform.site",
            "platform.tables",
            "prepare.sources",
            "visit.visits",
            "place.messages",
            "place.subscribers",
            "credit"
        })
@NullMarked
package wendo.app.audience.audiences;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Subscribers: the lists that people join, how they confirm, choose and leave, and the files of sending systems. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.privacy",
            "platform.consent",
            "platform.sending",
            "platform.site",
            "platform.tables",
            "prepare.sources",
            "visit.sitetag",
            "visit.visits",
            "outcome.outcomes"
        })
@NullMarked
package wendo.app.place.subscribers;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

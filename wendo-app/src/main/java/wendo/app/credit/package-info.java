/** Credit: joins each outcome to the touches before it and stores what each earned. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.privacy",
            "platform.site",
            "prepare.evidence",
            "prepare.sources",
            "visit.visits",
            "outcome.outcomes"
        })
@NullMarked
package wendo.app.credit;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Proving links before they are printed or sent: a checklist that ticks itself, and pictures of codes. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "prepare.destinations",
            "issue.links",
            "visit.visits"
        })
@NullMarked
package wendo.app.place.proofs;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

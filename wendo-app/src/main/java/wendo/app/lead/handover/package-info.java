/** Handover: what happens to a lead on arrival, and the follow-up plan that it starts. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.consent",
            "platform.sending",
            "platform.site",
            "visit.visits",
            "outcome.outcomes",
            "lead.leads"
        })
@NullMarked
package wendo.app.lead.handover;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

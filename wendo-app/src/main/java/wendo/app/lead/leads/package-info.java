/** Leads: who has them, how far they are, their messages and tasks, and what they became. */
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
            "outcome.outcomes"
        })
@NullMarked
package wendo.app.lead.leads;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

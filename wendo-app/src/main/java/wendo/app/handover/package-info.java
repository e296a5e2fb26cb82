/** Handover: what happens to a lead on arrival, and the follow-up plan that it starts. */
@ApplicationModule(
        allowedDependencies = {
            "accounts",
            "business",
            "campaigns",
            "consent",
            "leads",
            "links",
            "outcomes",
            "sending",
            "site",
            "sources",
            "visits"
        })
@NullMarked
package wendo.app.handover;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

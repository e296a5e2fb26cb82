/** Mailings: one message to an audience, at a pace, with a part held out, and what it brought beyond that part. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.consent",
            "platform.jobs",
            "platform.sending",
            "platform.site",
            "issue.links",
            "money.spend",
            "place.messages",
            "place.proofs",
            "audience.audiences"
        })
@NullMarked
package wendo.app.audience.mailings;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

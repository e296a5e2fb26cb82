/** What a partner and the business tell each other: outcomes that a partner claims, messages, and materials to use. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.privacy",
            "platform.site",
            "outcome.outcomes",
            "money.partners"
        })
@NullMarked
package wendo.app.money.exchange;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Partners who register themselves: a public form, somebody's approval, and a welcome with a link and a code. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.privacy",
            "platform.site",
            "prepare.destinations",
            "prepare.evidence",
            "prepare.sources",
            "issue.links",
            "money.partners"
        })
@NullMarked
package wendo.app.money.registration;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Partners: who refers people to the business, what they get by which terms, and what each outcome earned them. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.privacy",
            "platform.site",
            "platform.tables",
            "prepare.evidence",
            "prepare.sources",
            "credit",
            "outcome.outcomes",
            "money.spend"
        })
@NullMarked
package wendo.app.money.partners;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

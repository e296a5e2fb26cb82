/** Income: what partner networks promise and pay for the visits that were sent to them. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "platform.tables",
            "outcome.outcomes",
            "visit.outbound"
        })
@NullMarked
package wendo.app.outcome.income;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

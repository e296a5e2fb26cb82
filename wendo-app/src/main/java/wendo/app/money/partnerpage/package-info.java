/** A partner's own page at a private address: its links and codes, what they brought and earned, and its statements. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "money.exchange",
            "money.partners",
            "money.statements"
        })
@NullMarked
package wendo.app.money.partnerpage;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

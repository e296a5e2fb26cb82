/** Spend: what each source cost, as entered. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "platform.tables",
            "prepare.campaigns",
            "prepare.sources"
        })
@NullMarked
package wendo.app.money.spend;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

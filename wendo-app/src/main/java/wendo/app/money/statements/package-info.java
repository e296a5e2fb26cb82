/** Statements: what a partner earned in a month, frozen when it goes out, and the payments that settle it. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "platform.tables",
            "money.partners"
        })
@NullMarked
package wendo.app.money.statements;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

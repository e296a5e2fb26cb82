/** Outcomes from files: partners' reports, till and booking exports. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.privacy",
            "platform.site",
            "platform.tables",
            "prepare.sources",
            "outcome.networks",
            "outcome.income",
            "outcome.outcomes"
        })
@NullMarked
package wendo.app.outcome.imports;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

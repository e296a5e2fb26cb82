/** Placing a link: what each medium wants, and the record of where it was put out. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "issue.links",
            "outcome.networks",
            "money.spend"
        })
@NullMarked
package wendo.app.place.placements;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

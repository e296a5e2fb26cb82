/** Signposts: public pages that list several destinations behind one address. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "prepare.campaigns",
            "prepare.destinations",
            "prepare.sources",
            "issue.links",
            "visit.sitetag"
        })
@NullMarked
package wendo.app.place.signposts;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

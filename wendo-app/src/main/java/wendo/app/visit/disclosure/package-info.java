/** What visitors are told beside links that earn: placed by the site tag, and looked for on the business's own pages. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "issue.links",
            "prepare.destinations",
            "visit.outbound",
            "visit.sitetag"
        })
@NullMarked
package wendo.app.visit.disclosure;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** What a link domain does with visitor tags: whom it tags, whom it asks first, and the small pages that do it. */
@ApplicationModule(
        allowedDependencies = {
            "platform.business",
            "platform.site",
            "issue.links",
            "audience.visitortags",
            "visit.sitetag",
            "visit.visits"
        })
@NullMarked
package wendo.app.linkhost.tagging;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

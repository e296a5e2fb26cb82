/** What stands in pages of the business's own: the site tag, with its calls of the last day, and forms and signposts. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.privacy",
            "platform.site",
            "issue.links"
        })
@NullMarked
package wendo.app.visit.sitetag;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

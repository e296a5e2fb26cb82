/** How links look when somebody shares them: a card for messengers and networks, read from the page or said of the link. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "prepare.destinations",
            "issue.links"
        })
@NullMarked
package wendo.app.issue.sharecards;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

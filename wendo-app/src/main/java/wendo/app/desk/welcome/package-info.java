/** The first start: who owns the installation, the first business, its first links, and the first steps after that. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "prepare.destinations",
            "prepare.sources",
            "issue.links"
        })
@NullMarked
package wendo.app.desk.welcome;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Setup: the business and its keys for programs. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.site",
            "prepare.sources",
            "issue.links"
        })
@NullMarked
package wendo.app.desk.setup;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Entry forms: hosted here for a business, shown before what a link leads to or on a page of their own. */
@ApplicationModule(
        allowedDependencies = {
            "accounts",
            "business",
            "codes",
            "consent",
            "links",
            "networks",
            "outcomes",
            "site",
            "visits"
        })
@NullMarked
package wendo.app.forms;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

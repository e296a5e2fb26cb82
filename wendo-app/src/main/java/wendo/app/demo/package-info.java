/** The demo business: a simulated season of Marram Point Sailing. */
@ApplicationModule(
        allowedDependencies = {
            "accounts",
            "arrivals",
            "business",
            "campaigns",
            "credit",
            "links",
            "outcomes",
            "sitetag",
            "sources",
            "spend",
            "targets",
            "visits"
        })
@NullMarked
package wendo.app.demo;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

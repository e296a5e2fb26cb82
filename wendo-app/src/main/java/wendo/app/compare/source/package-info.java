/** One group by itself: its funnel, its returns, its verdict under each model. */
@ApplicationModule(
        allowedDependencies = {
            "platform.business",
            "platform.site",
            "credit",
            "money.spend",
            "compare.sql",
            "compare.table",
            "compare.verdict"
        })
@NullMarked
package wendo.app.compare.source;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

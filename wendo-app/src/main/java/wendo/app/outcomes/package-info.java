/** Outcomes: the site tag, the server call, the ledger. */
@ApplicationModule(
        allowedDependencies = {"accounts", "business", "consent", "site", "sitetag", "sources", "tables", "visits"})
@NullMarked
package wendo.app.outcomes;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

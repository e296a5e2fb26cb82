/** Proving links before they are printed or sent: a checklist that ticks itself, and pictures of codes. */
@ApplicationModule(
        allowedDependencies = {"accounts", "business", "destinations", "links", "outcomes", "site", "visits"})
@NullMarked
package wendo.app.proofs;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

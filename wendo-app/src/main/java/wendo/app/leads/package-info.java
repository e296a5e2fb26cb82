/** Leads: who has them, how far they are, their messages and tasks, and what they became. */
@ApplicationModule(
        allowedDependencies = {"accounts", "business", "consent", "outcomes", "sending", "site", "sources", "tables"})
@NullMarked
package wendo.app.leads;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

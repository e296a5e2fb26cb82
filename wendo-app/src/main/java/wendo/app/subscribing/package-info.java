/** Newsletters: markup with the sender's own placeholder, and links that subscribe whoever arrives by them. */
@ApplicationModule(
        allowedDependencies = {"accounts", "business", "consent", "links", "site", "sources", "tables", "visits"})
@NullMarked
package wendo.app.subscribing;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

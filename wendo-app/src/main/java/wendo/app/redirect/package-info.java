/** The link hosts' answers: redirects from memory, each once its visit is on disk. */
@ApplicationModule(allowedDependencies = {"links", "networks", "site", "visits"})
@NullMarked
package wendo.app.redirect;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

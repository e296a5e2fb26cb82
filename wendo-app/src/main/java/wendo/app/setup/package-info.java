/** Setup: the business and its keys for programs. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "links", "site", "sources"})
@NullMarked
package wendo.app.setup;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

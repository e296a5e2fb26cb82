/** Partner networks: the sub-ID that goes out with a visit, and the postback that brings it back. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "links", "outcomes", "site", "sources", "visits"})
@NullMarked
package wendo.app.networks;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Signposts: public pages that list several destinations behind one address. */
@ApplicationModule(
        allowedDependencies = {"accounts", "business", "campaigns", "destinations", "links", "site", "sources"})
@NullMarked
package wendo.app.signposts;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** The finder: from any fragment, or a pasted link, to the thing itself. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "links", "site"})
@NullMarked
package wendo.app.finder;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

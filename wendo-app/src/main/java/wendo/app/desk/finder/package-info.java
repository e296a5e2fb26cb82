/** The finder: from any fragment, or a pasted link, to the thing itself. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.site"})
@NullMarked
package wendo.app.desk.finder;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

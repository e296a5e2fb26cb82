/** The site tag's calls: who may call, and what came within the last day. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "links", "site"})
@NullMarked
package wendo.app.sitetag;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

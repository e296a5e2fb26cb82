/** Placing a link: what each medium wants, and the record of where it was put out. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "links", "networks", "site", "spend"})
@NullMarked
package wendo.app.place;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

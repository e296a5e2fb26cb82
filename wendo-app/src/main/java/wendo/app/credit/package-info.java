/** Credit: joins each outcome to the touches before it and stores what each earned. */
@ApplicationModule(allowedDependencies = {"business", "evidence", "outcomes", "sources", "visits"})
@NullMarked
package wendo.app.credit;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

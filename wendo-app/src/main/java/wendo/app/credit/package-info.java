/** Credit: joins each outcome to the touches before it and stores what each earned. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "evidence", "outcomes", "site", "sources", "visits"})
@NullMarked
package wendo.app.credit;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

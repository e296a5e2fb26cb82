/** Sources: what is compared with one another, each of one channel; and the channels' lookback windows. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "site"})
@NullMarked
package wendo.app.sources;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

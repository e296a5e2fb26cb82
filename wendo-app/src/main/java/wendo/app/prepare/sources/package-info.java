/** Sources: what is compared with one another, each of one channel; and the channels' lookback windows. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site"})
@NullMarked
package wendo.app.prepare.sources;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

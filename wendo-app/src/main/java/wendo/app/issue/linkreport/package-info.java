/** A report of one link, of a campaign's links, or of those with a label, at an address that is switched on and off. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.business", "platform.site", "issue.links"})
@NullMarked
package wendo.app.issue.linkreport;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

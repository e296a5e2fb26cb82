/** Codes for print: one or many, as files and as sheets, at true size. */
@ApplicationModule(allowedDependencies = {"platform.accounts", "platform.appearance", "platform.site", "issue.links"})
@NullMarked
package wendo.app.place.codes;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Codes for print: one or many, as files and as sheets, at true size. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "links", "site"})
@NullMarked
package wendo.app.codes;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

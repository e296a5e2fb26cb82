/** Tables that people bring and take along: CSV, XLSX and what was pasted. */
@ApplicationModule(allowedDependencies = {"platform.site"})
@NullMarked
package wendo.app.platform.tables;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

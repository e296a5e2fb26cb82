/** Consent: who agreed to what words, for which purpose, when and where, and how it was withdrawn. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "site", "tables"})
@NullMarked
package wendo.app.consent;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Consent: who agreed to what words, for which purpose, when and where, and how it was withdrawn. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.privacy",
            "platform.site",
            "platform.tables"
        })
@NullMarked
package wendo.app.platform.consent;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

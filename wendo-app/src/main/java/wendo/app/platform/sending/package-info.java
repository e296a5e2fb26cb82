/** Outgoing messages: e-mail, texts and recorded voice, each sent at most once, and what comes back. */
@ApplicationModule(
        allowedDependencies = {
            "platform.accounts",
            "platform.business",
            "platform.privacy",
            "platform.consent",
            "platform.site"
        })
@NullMarked
package wendo.app.platform.sending;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

/** Outgoing messages: e-mail, texts and recorded voice, each sent at most once, and what comes back. */
@ApplicationModule(allowedDependencies = {"business", "consent", "jobs", "site"})
@NullMarked
package wendo.app.sending;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

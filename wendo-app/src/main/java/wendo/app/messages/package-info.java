/** Text messages with a link in them, and personal links for each of their recipients. */
@ApplicationModule(allowedDependencies = {"accounts", "business", "consent", "links", "sending", "site", "tables"})
@NullMarked
package wendo.app.messages;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

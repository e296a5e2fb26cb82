/** The link hosts' answers: redirects from memory, each once its visit is on disk. */
@ApplicationModule(
        allowedDependencies = {
            "platform.site",
            "issue.links",
            "issue.sharecards",
            "visit.visits",
            "outcome.networks",
            "linkhost.tagging"
        })
@NullMarked
package wendo.app.linkhost.redirect;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

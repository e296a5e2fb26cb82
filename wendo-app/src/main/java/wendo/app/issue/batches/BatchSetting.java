package wendo.app.issue.batches;

import java.util.List;
import org.springframework.stereotype.Component;
import wendo.app.issue.links.LinkHosts;
import wendo.app.issue.links.Links;
import wendo.app.issue.links.NamedPlan;
import wendo.core.links.TagField;

/** What the columns of a file can be matched with. */
@Component
class BatchSetting {
    private final Links links;
    private final LinkHosts hosts;

    BatchSetting(Links links, LinkHosts hosts) {
        this.links = links;
        this.hosts = hosts;
    }

    /** The typed fields of a tag plan, or of the default one. */
    List<String> parameters(String plan) {
        return links.plan(plan).plan().typedFields().stream()
                .map(TagField::parameter)
                .toList();
    }

    String patternFault(Matching matching) {
        return links.patternFault(new RowWishes(matching).choice());
    }

    List<LinkHosts.LinkHost> hosts() {
        return hosts.inUse();
    }

    List<NamedPlan> plans() {
        return links.plans();
    }

    NamedPlan plan(Matching matching) {
        return links.plan(matching.plan());
    }
}

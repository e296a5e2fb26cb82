package wendo.app.issue.batches;

import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.issue.links.LinkHosts;
import wendo.app.issue.links.Links;
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

    ModelAndView describe(ModelAndView page, Batch batch) {
        return page.addObject("batch", batch)
                .addObject("matching", batch.matching())
                .addObject("parameters", parameters(batch.matching().plan()))
                .addObject("hosts", hosts.inUse())
                .addObject("plans", links.plans())
                .addObject("chosenPlan", links.plan(batch.matching().plan()).id());
    }
}

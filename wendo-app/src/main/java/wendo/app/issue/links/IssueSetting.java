package wendo.app.issue.links;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.business.Business;
import wendo.app.prepare.brands.BrandListed;
import wendo.app.prepare.sources.SourceListed;
import wendo.core.links.Labels;
import wendo.core.links.SlugPattern;

/**
 * What all links of one sheet have in common while they are laid out.
 *
 * @param sources by identifier and by tag
 */
record IssueSetting(
        Business business,
        LinkHosts.LinkHost host,
        Set<String> linkHosts,
        NamedPlan plan,
        Optional<SlugPattern> pattern,
        Map<String, SourceListed> sources,
        List<Colleague> colleagues,
        Labels labels,
        List<BrandListed> brands) {
    /** What may stand in braces in a pattern, beside the plan's typed fields. */
    static final List<String> PATTERN_PARTS = List.of("source", "campaign", "medium", "channel");
}

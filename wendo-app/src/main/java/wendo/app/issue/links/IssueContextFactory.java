package wendo.app.issue.links;

import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.brands.BrandListed;
import wendo.app.prepare.campaigns.CampaignListed;
import wendo.app.prepare.campaigns.Campaigns;
import wendo.app.prepare.destinations.DestinationListed;
import wendo.app.prepare.destinations.Destinations;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Channel;
import wendo.core.visits.Origin;

/** Lays what is typed out as a sheet, and shows desk and sheet as a page. */
@Component
class IssueContextFactory {
    private static final int OFFERED_DESTINATIONS = 100;

    private final IssueContext desk;
    private final LinkHosts hosts;
    private final TagPlans plans;
    private final Sources sources;
    private final Campaigns campaigns;
    private final Destinations destinations;

    IssueContextFactory(
            IssueContext desk,
            LinkHosts hosts,
            TagPlans plans,
            Sources sources,
            Campaigns campaigns,
            Destinations destinations) {
        this.desk = desk;
        this.hosts = hosts;
        this.plans = plans;
        this.sources = sources;
        this.campaigns = campaigns;
        this.destinations = destinations;
    }

    /** Nothing was chosen yet. */
    record Untouched(boolean begun, String issuer) {}

    record IssuePage(
            IssueForm form,
            LinkTerms terms,
            IssueSheet sheet,
            boolean begun,
            String issuer,
            Map<String, String> faults,
            Map<Channel, List<SourceListed>> sources,
            Channel[] channels,
            List<CampaignListed> campaigns,
            List<DestinationListed> destinations,
            List<LinkHosts.LinkHost> hosts,
            List<NamedPlan> plans,
            List<Colleague> colleagues,
            Collection<String> labels,
            List<BrandListed> brands) {}

    IssueSheet layOut(IssueForm form) {
        IssueSetting setting = desk.setting(form.choice());
        List<LinkWish> wishes = form.wishes().stream()
                .filter(wish -> setting.sources().containsKey(wish.source()))
                .limit(IssueSheet.MAX_LINKS * 2L)
                .toList();
        IssueForm known = wishes.size() == form.wishes().size() ? form : onlyKnown(form, setting);
        return IssueSheet.of(
                known,
                setting,
                desk.layOut(known.wishes(), setting),
                desk.patternFault(form.choice().pattern(), setting.plan()));
    }

    /** Without sources that are not there: an old page can name them. */
    private static IssueForm onlyKnown(IssueForm form, IssueSetting setting) {
        return new IssueForm(
                form.destinations(),
                form.campaign(),
                form.choice(),
                form.terms(),
                form.sources().stream()
                        .filter(id -> setting.sources().containsKey(id.toString()))
                        .toList(),
                form.slugs(),
                form.names(),
                form.fields(),
                form.ownFields(),
                form.newSource(),
                form.goesAhead());
    }

    /** The empty desk; whoever issues a link owns it, unless they say otherwise. */
    ModelAndView begin(CurrentPerson person) {
        return ViewRecord.with(
                show(IssueForm.empty(), Map.of(), "issue/links/issue"),
                new Untouched(false, person.id().toString()));
    }

    ModelAndView show(IssueForm form) {
        return show(form, Map.of(), "issue/links/issue");
    }

    ModelAndView show(IssueForm form, Map<String, String> faults, String template) {
        Map<Channel, List<SourceListed>> byChannel = sources.list().stream()
                .filter(source ->
                        !Origin.isStoodForBy(source.tag()) || form.sources().contains(source.id()))
                .collect(Collectors.groupingBy(
                        SourceListed::channel, () -> new EnumMap<>(Channel.class), Collectors.toList()));
        IssueSheet sheet = layOut(form);
        return ViewRecord.of(
                template,
                new IssuePage(
                        form,
                        form.terms(),
                        sheet,
                        true,
                        form.terms().owner(),
                        faults,
                        byChannel,
                        Channel.values(),
                        campaigns.list(),
                        destinations.list().stream().limit(OFFERED_DESTINATIONS).toList(),
                        hosts.inUse(),
                        plans.list(),
                        sheet.setting().colleagues(),
                        sheet.setting().labels().all(),
                        sheet.setting().brands()));
    }
}

package wendo.app.issue.links;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.prepare.campaigns.Campaigns;
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
        return show(IssueForm.empty(), Map.of(), "issue/links/issue")
                .addObject("begun", false)
                .addObject("issuer", person.id().toString());
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
        return new ModelAndView(template)
                .addObject("form", form)
                .addObject("terms", form.terms())
                .addObject("sheet", sheet)
                .addObject("begun", true)
                .addObject("issuer", form.terms().owner())
                .addObject("faults", faults)
                .addObject("sources", byChannel)
                .addObject("channels", Channel.values())
                .addObject("campaigns", campaigns.list())
                .addObject(
                        "destinations",
                        destinations.list().stream().limit(OFFERED_DESTINATIONS).toList())
                .addObject("hosts", hosts.inUse())
                .addObject("plans", plans.list())
                .addObject("colleagues", sheet.setting().colleagues())
                .addObject("labels", sheet.setting().labels().values());
    }
}

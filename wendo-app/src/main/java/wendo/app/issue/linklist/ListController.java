package wendo.app.issue.linklist;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbon;
import wendo.app.platform.site.Ribbons;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.campaigns.CampaignListed;
import wendo.app.prepare.campaigns.Campaigns;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Channel;

/** The list of links, and the filters that have names. */
@Controller
@RequestMapping("/links")
class ListController {
    private static final int MAX_PAGE = 1_000_000;

    private final ListQueries queries;
    private final SavedFilters saved;
    private final LinkSaving links;
    private final Sources sources;
    private final Campaigns campaigns;
    private final Accounts accounts;
    private final Ribbons ribbons;

    ListController(
            ListQueries queries,
            SavedFilters saved,
            LinkSaving links,
            Sources sources,
            Campaigns campaigns,
            Accounts accounts,
            Ribbons ribbons) {
        this.queries = queries;
        this.saved = saved;
        this.links = links;
        this.sources = sources;
        this.campaigns = campaigns;
        this.accounts = accounts;
        this.ribbons = ribbons;
    }

    record RefusedName(String filterName, String filterFault) {}

    record LinkListPage(
            LinkFilter filter,
            String words,
            String keep,
            List<SavedFilters.Saved> saved,
            PeriodChoice choice,
            Ribbon ribbon,
            ListQueries.Listed listed,
            List<SourceListed> sources,
            List<CampaignListed> campaigns,
            List<Colleague> colleagues,
            Channel[] channels,
            List<ListQueries.Labelled> labels,
            LinkFilter.Group[] groups) {}

    @GetMapping
    ModelAndView list(
            @RequestParam(name = "page", defaultValue = "1") String page, PeriodChoice choice, TypedFields asked) {
        LinkFilter filter = LinkFilter.of(asked);
        int wanted = page.matches("\\d{1,6}") ? Math.max(1, Math.min(MAX_PAGE, Integer.parseInt(page))) : 1;
        return show(filter, wanted, choice);
    }

    private ModelAndView show(LinkFilter filter, int page, PeriodChoice choice) {
        ListQueries.Listed listed = queries.list(filter, page, choice.period());
        if (listed.rows().isEmpty() && page > 1) {
            listed = queries.list(filter, 1, choice.period());
        }
        String query = filter.query();
        return ViewRecord.of(
                "issue/linklist/list",
                new LinkListPage(
                        filter,
                        queries.words(filter),
                        query.isEmpty() ? "" : "&" + query,
                        saved.list(),
                        choice,
                        ribbons.draw(choice),
                        listed,
                        sources.list(),
                        campaigns.list(),
                        accounts.colleagues(),
                        Channel.values(),
                        queries.labels(),
                        LinkFilter.Group.values()));
    }

    @Needs(Permission.ISSUE)
    @PostMapping("/filters")
    ModelAndView save(@RequestParam String name, @RequestParam String query, PageContext context) {
        LinkFilter filter = LinkFilter.ofQuery(query);
        if (name.isBlank() || name.strip().length() > SavedFilters.MAX_NAME) {
            String fault = Texts.of("issue.linklist.enter-a-name-of-1", SavedFilters.MAX_NAME);
            return InvalidForm.of(ViewRecord.with(show(filter, 1, context.choice()), new RefusedName(name, fault)));
        }
        saved.save(name.strip(), filter, context.person().name());
        return new ModelAndView("redirect:/links?" + filter.query());
    }

    @Needs(Permission.ISSUE)
    @PostMapping("/filters/{id}/remove")
    String remove(@PathVariable UUID id, RedirectAttributes notes) {
        saved.remove(id);
        notes.addFlashAttribute("said", List.of(Texts.of("issue.linklist.filter-removed-its-links-are")));
        return "redirect:/links";
    }
}

package wendo.app.lead.leads;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;

/** The list of leads, and what is done to many of them at once. */
@Needs(Permission.WORK_LEADS)
@Controller
@RequestMapping("/leads")
class LeadListController {
    private final LeadQueries queries;
    private final LeadAccess access;
    private final Sources sources;
    private final Clock clock;

    LeadListController(LeadQueries queries, LeadAccess access, Sources sources, Clock clock) {
        this.queries = queries;
        this.access = access;
        this.sources = sources;
        this.clock = clock;
    }

    record LeadListPage(
            List<LeadQueries.Row> rows,
            LeadQueries.Counts counts,
            LeadFilter filter,
            Stage[] stages,
            List<SourceListed> sources,
            List<Integer> spans,
            List<Colleague> colleagues,
            int page,
            int pageSize) {}

    @GetMapping
    ModelAndView list(TypedFields asked, CurrentPerson person) {
        LeadQueries.Reader reader = LeadQueries.Reader.of(person);
        String page = asked.text("page", "0");
        int number = page.matches("\\d{1,4}") ? Integer.parseInt(page) : 0;
        LeadFilter filter = LeadFilter.of(asked);
        return ViewRecord.of(
                "lead/leads/list",
                new LeadListPage(
                        queries.page(filter, reader, clock.instant(), number),
                        queries.counts(reader),
                        filter,
                        Stage.values(),
                        sources.list(),
                        LeadFilter.DAYS,
                        access.assignable(person),
                        number,
                        LeadQueries.PAGE));
    }

    /** Many at once, from the list: back to it, as it was narrowed and sorted. */
    @PostMapping("/owner")
    ModelAndView ownMany(TypedFields typed, CurrentPerson person, RedirectAttributes notes) {
        Optional<Colleague> to = access.assignedTo(typed.text("owner"), person);
        List<UUID> chosen = typed.ids("lead", LeadQueries.PAGE);
        chosen.forEach(id -> access.find(id, person));
        chosen.forEach(id -> access.own(id, to, person));
        notes.addFlashAttribute(
                "said",
                chosen.isEmpty()
                        ? Texts.of("lead.leads.choose-leads-first")
                        : to.map(one -> Texts.of("lead.leads.assigned-many", chosen.size(), one.name()))
                                .orElseGet(() -> Texts.of("lead.leads.unassigned-many", chosen.size())));
        String query = LeadFilter.of(typed).query();
        return new ModelAndView("redirect:/leads" + (query.isEmpty() ? "" : "?" + query));
    }
}

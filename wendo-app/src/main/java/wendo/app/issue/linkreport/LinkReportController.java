package wendo.app.issue.linkreport;

import java.util.Map;
import java.util.Optional;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbon;
import wendo.app.platform.site.Ribbons;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** Switches the report of a link, a campaign or a label on and off. */
@Needs(Permission.SHARE)
@Controller
@RequestMapping("/links/report")
class LinkReportController {
    private final LinkReports reports;
    private final LinkReportQueries queries;
    private final Ribbons ribbons;

    LinkReportController(LinkReports reports, LinkReportQueries queries, Ribbons ribbons) {
        this.reports = reports;
        this.queries = queries;
        this.ribbons = ribbons;
    }

    /** @param of the part of an address that names the subject */
    record LinkReportPage(
            String kind,
            String key,
            String of,
            String name,
            Optional<LinkReports.Shown> report,
            boolean withOutcomes,
            LinkReportQueries.Counts counts,
            PeriodChoice choice,
            Ribbon ribbon,
            String origin) {}

    @GetMapping
    ModelAndView page(TypedFields asked, PageContext context) {
        ReportSubject of = subject(asked);
        Optional<LinkReports.Shown> report = reports.find(of);
        return show(of, report, report.map(LinkReports.Shown::withOutcomes).orElse(false), context);
    }

    private static ReportSubject subject(TypedFields asked) {
        return ReportSubject.of(asked).orElseThrow(LinkReportController::absent);
    }

    private static ResponseStatusException absent() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }

    private ModelAndView show(
            ReportSubject of, Optional<LinkReports.Shown> report, boolean withOutcomes, PageContext context) {
        return ViewRecord.of(
                "issue/linkreport/page",
                new LinkReportPage(
                        of.kind().key(),
                        of.key(),
                        address(of),
                        queries.name(of).orElseThrow(LinkReportController::absent),
                        report,
                        withOutcomes,
                        queries.counts(of, context.period(), context.zone()),
                        context.choice(),
                        ribbons.draw(context.choice()),
                        ServletUriComponentsBuilder.fromCurrentContextPath().toUriString()));
    }

    private static String address(ReportSubject of) {
        return FilterValues.query(Map.of(of.kind().key(), of.key()));
    }

    /** The period of the page is that of the report: a moving one, such as the last 28 days, moves with it. */
    @PostMapping
    ModelAndView switchOn(TypedFields typed, PageContext context) {
        ReportSubject of = subject(typed);
        if (queries.name(of).isEmpty()) {
            throw absent();
        }
        boolean withOutcomes = typed.is("outcomes", "yes");
        EditedVersion edited = EditedVersion.of(typed.raw("version"));
        String period = context.choice().query();
        LinkReports.Wanted wanted = new LinkReports.Wanted(withOutcomes, period);
        String by = context.person().name();
        try {
            if (UniqueKey.refuses(() -> reports.show(of, edited, wanted, by))) { // pressed twice at once
                reports.show(of, EditedVersion.any(), wanted, by);
            }
        } catch (OptimisticLockingFailureException e) {
            return EditConflict.of(show(of, reports.find(of), withOutcomes, context), "/links/report?" + address(of));
        }
        return new ModelAndView("redirect:/links/report?" + address(of) + "&" + period);
    }

    @PostMapping("/off")
    String switchOff(TypedFields typed, PageContext context) {
        ReportSubject of = subject(typed);
        reports.switchOff(of);
        return "redirect:/links/report?" + address(of) + "&" + context.choice().query();
    }
}

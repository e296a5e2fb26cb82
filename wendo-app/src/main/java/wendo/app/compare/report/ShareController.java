package wendo.app.compare.report;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.context.request.ServletWebRequest;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.CompareContext;
import wendo.app.compare.table.CompareFrame;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** Sharing a report of what is compared, and taking it back. */
@Needs(Permission.SHARE)
@Controller
@RequestMapping("/compare/reports")
class ShareController {
    static final int MAX_TITLE = Limits.TITLE;
    private static final int USUAL_DAYS = 30;
    private static final int MAX_DAYS = 400;

    private final SharedReports reports;
    private final FrozenReport frozen;
    private final CompareFrame frame;
    private final Clock clock;

    ShareController(SharedReports reports, FrozenReport frozen, CompareFrame frame, Clock clock) {
        this.reports = reports;
        this.frozen = frozen;
        this.frame = frame;
        this.clock = clock;
    }

    record SharePage(
            Map<String, String> typed,
            List<String> chosen,
            Map<String, String> faults,
            ReportSection[] parts,
            List<SharedReport> reports,
            LocalDate today,
            boolean maySetUp,
            String origin) {}

    @GetMapping
    ModelAndView page(CompareContext context, CurrentPerson person) {
        LocalDate last = context.business().today(clock).plusDays(USUAL_DAYS);
        TypedFields usual = TypedFields.of(Map.of("title", "", "lastDay", last.toString(), "kept", "live"));
        return show(
                new Refused(usual, List.of(ReportSection.ANSWER.key(), ReportSection.TABLE.key()), Map.of()),
                context,
                person);
    }

    /** @param sections their keys, as they were ticked */
    private record Refused(TypedFields typed, List<String> sections, Map<String, String> faults) {}

    @PostMapping
    ModelAndView share(TypedFields typed, CompareContext context, CurrentPerson person, ServletWebRequest web) {
        person.mustBeAllowedToSetUp();
        List<ReportSection> sections = typed.all("section").stream()
                .flatMap(key -> ReportSection.find(key).stream())
                .toList();
        Map<String, String> faults =
                faults(typed, sections, context.look(), context.business().today(clock));
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(new Refused(typed, typed.all("section"), faults), context, person));
        }
        reports.share(
                new SharedReports.Wanted(
                        typed.text("title"),
                        sections,
                        context.query(),
                        typed.is("kept", "frozen")
                                ? Optional.of(frozen.render(sections, context, web))
                                : Optional.empty(),
                        LocalDate.parse(typed.text("lastDay"))),
                person.name());
        return new ModelAndView("redirect:/compare/reports?" + context.query());
    }

    @PostMapping("/{id}/revoke")
    String revoke(@PathVariable UUID id, CompareContext context, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        if (!reports.revoke(id)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return "redirect:/compare/reports?" + context.query();
    }

    private static Map<String, String> faults(
            TypedFields typed, List<ReportSection> sections, CompareChoice look, LocalDate today) {
        Map<String, String> faults = new HashMap<>();
        if (typed.raw("title").isBlank()) {
            faults.put("title", Texts.of("compare.report.enter-a-title-for-the"));
        }
        InvalidForm.tooLong(faults, "title", typed.raw("title"), MAX_TITLE);
        if (sections.isEmpty()) {
            faults.put("section", Texts.of("compare.report.choose-at-least-one-part"));
        }
        if (look.grouping() == Grouping.OWNER) {
            faults.put("section", Texts.of("compare.report.by-owner-the-report-would"));
        }
        day(typed.raw("lastDay"), today).ifPresent(fault -> faults.put("lastDay", fault));
        return faults;
    }

    private static Optional<String> day(String text, LocalDate today) {
        try {
            LocalDate day = LocalDate.parse(text);
            return day.isBefore(today) || day.isAfter(today.plusDays(MAX_DAYS))
                    ? Optional.of(Texts.of("compare.report.choose-a-day-from-today", today.plusDays(MAX_DAYS)))
                    : Optional.empty();
        } catch (DateTimeException e) {
            return Optional.of(Texts.of("compare.report.choose-a-day-like-2026"));
        }
    }

    private ModelAndView show(Refused form, CompareContext context, CurrentPerson person) {
        ModelAndView page = ViewRecord.of(
                "compare/report/share",
                new SharePage(
                        form.typed().firstValues(),
                        form.sections(),
                        form.faults(),
                        ReportSection.values(),
                        reports.list(),
                        context.business().today(clock),
                        person.role().maySetUp(),
                        ServletUriComponentsBuilder.fromCurrentContextPath().toUriString()));
        return frame.around(page, context);
    }
}

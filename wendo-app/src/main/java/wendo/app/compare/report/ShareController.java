package wendo.app.compare.report;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.CompareFrame;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.PeriodChoice;

/** Sharing a report of what is compared, and taking it back. */
@Needs(Permission.SHARE)
@Controller
@RequestMapping("/compare/reports")
class ShareController {
    static final int MAX_TITLE = 120;
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

    @GetMapping
    ModelAndView page(CompareChoice look, PeriodChoice choice, Business business, CurrentPerson person) {
        LocalDate last = business.today(clock).plusDays(USUAL_DAYS);
        return show(
                Map.of("title", "", "lastDay", last.toString(), "kept", "live"),
                List.of(ReportSection.ANSWER.key(), ReportSection.TABLE.key()),
                Map.of(),
                look,
                choice,
                business,
                person);
    }

    @PostMapping
    ModelAndView share(
            @RequestParam Map<String, String> typed,
            @RequestParam(defaultValue = "") List<String> section,
            CompareChoice look,
            PeriodChoice choice,
            Business business,
            CurrentPerson person,
            HttpServletRequest request,
            HttpServletResponse response) {
        person.mustBeAllowedToSetUp();
        List<ReportSection> sections = section.stream()
                .flatMap(key -> ReportSection.find(key).stream())
                .toList();
        Map<String, String> faults = faults(typed, sections, look, business.today(clock));
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(typed, section, faults, look, choice, business, person));
        }
        boolean isFrozen = typed.getOrDefault("kept", "").equals("frozen");
        reports.share(
                new SharedReports.Wanted(
                        typed.getOrDefault("title", "").strip(),
                        sections,
                        choice.query() + look.query(),
                        isFrozen
                                ? Optional.of(frozen.render(sections, look, choice, business, request, response))
                                : Optional.empty(),
                        LocalDate.parse(typed.getOrDefault("lastDay", ""))),
                person.name());
        return new ModelAndView("redirect:/compare/reports?" + choice.query() + look.query());
    }

    @PostMapping("/{id}/revoke")
    String revoke(@PathVariable UUID id, CompareChoice look, PeriodChoice choice, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        if (!reports.revoke(id)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return "redirect:/compare/reports?" + choice.query() + look.query();
    }

    private static Map<String, String> faults(
            Map<String, String> typed, List<ReportSection> sections, CompareChoice look, LocalDate today) {
        Map<String, String> faults = new HashMap<>();
        if (typed.getOrDefault("title", "").isBlank()) {
            faults.put("title", "Say what the report is, as its reader will see it.");
        }
        InvalidForm.tooLong(faults, "title", typed.getOrDefault("title", ""), MAX_TITLE);
        if (sections.isEmpty()) {
            faults.put("section", "Choose at least one part to show.");
        }
        if (look.grouping() == Grouping.OWNER) {
            faults.put("section", "By owner the report would name people. Compare something else, then share it.");
        }
        day(typed.getOrDefault("lastDay", ""), today).ifPresent(fault -> faults.put("lastDay", fault));
        return faults;
    }

    private static Optional<String> day(String text, LocalDate today) {
        try {
            LocalDate day = LocalDate.parse(text);
            return day.isBefore(today) || day.isAfter(today.plusDays(MAX_DAYS))
                    ? Optional.of("Choose a day from today to %s.".formatted(today.plusDays(MAX_DAYS)))
                    : Optional.empty();
        } catch (DateTimeException e) {
            return Optional.of("Choose a day, like 2026-05-01.");
        }
    }

    private ModelAndView show(
            Map<String, String> typed,
            List<String> chosen,
            Map<String, String> faults,
            CompareChoice look,
            PeriodChoice choice,
            Business business,
            CurrentPerson person) {
        ModelAndView page = new ModelAndView("compare/report/share")
                .addObject("typed", typed)
                .addObject("chosen", chosen)
                .addObject("faults", faults)
                .addObject("parts", ReportSection.values())
                .addObject("reports", reports.list())
                .addObject("today", business.today(clock))
                .addObject("maySetUp", person.role().maySetUp())
                .addObject(
                        "origin",
                        ServletUriComponentsBuilder.fromCurrentContextPath().toUriString());
        frame.addTo(page.getModelMap(), look, choice, "");
        return page;
    }
}

package wendo.app.compare.report;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.util.UriComponentsBuilder;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.table.CompareContext;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.SecretAddress;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;

/** A shared report as everybody sees it who knows its address. */
@Controller
class OpenReport {
    private static final int OPENINGS_PER_MINUTE = 60;

    private final SharedReports reports;
    private final ReportContent content;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final Clock clock;
    private final CallLimit limit = new CallLimit(OPENINGS_PER_MINUTE);

    OpenReport(SharedReports reports, ReportContent content, Businesses businesses, BusinessScope scope, Clock clock) {
        this.reports = reports;
        this.content = content;
        this.businesses = businesses;
        this.scope = scope;
        this.clock = clock;
    }

    record ReportPage(
            String title, String business, String language, SharedReport report, Figures figures, String frozen) {}

    @GetMapping("/t/reports/{token}")
    ModelAndView page(@PathVariable String token, HttpServletRequest request, HttpServletResponse response) {
        SecretAddress.guard(response);
        if (!limit.allows(request.getRemoteAddr())) {
            return gone(HttpStatus.TOO_MANY_REQUESTS, Texts.of("compare.report.this-was-opened-too-often"));
        }
        return reports.businessOf(token)
                .flatMap(owner -> scope.within(owner, () -> show(token)))
                .orElseGet(() -> gone(HttpStatus.NOT_FOUND, Texts.of("compare.report.it-was-revoked-its-last")));
    }

    private Optional<ModelAndView> show(String token) {
        Business business = businesses.current();
        LocalDate today = business.today(clock);
        return reports.open(token, today).map(report -> {
            ModelAndView page = ViewRecord.of(
                    "compare/report/report",
                    new ReportPage(
                            report.title(),
                            business.name(),
                            PublicLanguages.speak(business.locale()),
                            report,
                            new Figures(business.currency(), business.zone(), business.locale()),
                            report.frozen().orElse("")));
            return report.frozen().isPresent() ? page : page.addAllObjects(live(report, business, today));
        });
    }

    private Map<String, Object> live(SharedReport report, Business business, LocalDate today) {
        MultiValueMap<String, String> asked =
                UriComponentsBuilder.fromUriString("?" + report.look()).build().getQueryParams();
        PeriodChoice choice =
                PeriodChoice.of(name -> Optional.ofNullable(asked.getFirst(name)), today, business.firstMonth());
        CompareChoice look = CompareChoice.of(name -> Optional.ofNullable(asked.getFirst(name)));
        return content.report(report.sections(), new CompareContext(look, choice, business));
    }

    private static ModelAndView gone(HttpStatus status, String why) {
        ModelAndView gone = new ModelAndView("compare/report/report-gone", "why", why);
        gone.setStatus(status);
        return gone;
    }
}

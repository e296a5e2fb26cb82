package wendo.app.issue.linkreport;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.util.UriComponentsBuilder;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.SecretAddress;
import wendo.app.platform.site.ViewRecord;

/** A report of links as everybody sees it who knows its address. */
@Controller
class OpenLinkReport {
    private static final int OPENINGS_PER_MINUTE = 60;

    private final LinkReports reports;
    private final LinkReportQueries queries;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final Clock clock;
    private final CallLimit limit = new CallLimit(OPENINGS_PER_MINUTE);

    OpenLinkReport(
            LinkReports reports, LinkReportQueries queries, Businesses businesses, BusinessScope scope, Clock clock) {
        this.reports = reports;
        this.queries = queries;
        this.businesses = businesses;
        this.scope = scope;
        this.clock = clock;
    }

    record OpenReportPage(
            String business,
            String language,
            String name,
            PeriodChoice choice,
            boolean withOutcomes,
            LinkReportQueries.Counts counts,
            List<LinkReportQueries.Day> days,
            long most,
            int daysOfRow,
            Map<LinkReportQueries.Trait, List<LinkReportQueries.Known>> known,
            Figures figures) {}

    @GetMapping("/t/link-reports/{token}")
    ModelAndView page(@PathVariable String token, HttpServletRequest request, HttpServletResponse response) {
        SecretAddress.guard(response);
        if (!limit.allows(request.getRemoteAddr())) {
            return gone(HttpStatus.TOO_MANY_REQUESTS);
        }
        return reports.businessOf(token)
                .flatMap(owner -> scope.within(owner, () -> show(token)))
                .orElseGet(() -> gone(HttpStatus.NOT_FOUND));
    }

    private Optional<ModelAndView> show(String token) {
        return reports.open(token)
                .flatMap(report -> queries.name(report.of()).map(name -> show(report, name, businesses.current())));
    }

    private ModelAndView show(LinkReports.Shown report, String name, Business business) {
        MultiValueMap<String, String> asked = UriComponentsBuilder.fromUriString("?" + report.period())
                .build()
                .getQueryParams();
        PeriodChoice choice = PeriodChoice.of(
                field -> Optional.ofNullable(asked.getFirst(field)), business.today(clock), business.firstMonth());
        List<LinkReportQueries.Day> days = queries.days(report.of(), choice.period());
        return ViewRecord.of(
                "issue/linkreport/open",
                new OpenReportPage(
                        business.name(),
                        PublicLanguages.speak(business.locale()),
                        name,
                        choice,
                        report.withOutcomes(),
                        queries.counts(report.of(), choice.period(), business.zone()),
                        days,
                        Math.max(
                                1,
                                days.stream()
                                        .mapToLong(LinkReportQueries.Day::people)
                                        .max()
                                        .orElse(1)),
                        LinkReportQueries.daysOfRow(choice.period()),
                        queries.known(report.of(), choice.period()),
                        new Figures(business.currency(), business.zone(), business.locale())));
    }

    private static ModelAndView gone(HttpStatus status) {
        ModelAndView gone = new ModelAndView("issue/linkreport/open-gone");
        gone.setStatus(status);
        return gone;
    }
}

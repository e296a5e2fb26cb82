package wendo.app.money.partnerpage;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.money.partners.CommissionLines;
import wendo.app.money.partners.OwnPage;
import wendo.app.money.partners.PartnerQueries;
import wendo.app.money.partners.Partners;
import wendo.app.money.statements.StatementPaper;
import wendo.app.money.statements.StatementQueries;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.ViewRecord;
import wendo.core.measure.Period;
import wendo.core.media.CodeSvg;
import wendo.core.media.Correction;
import wendo.core.media.QrCode;

/**
 * A partner's page as everybody sees it who knows its address. It shows that partner's side alone, and of an outcome its
 * day, kind and order number, never who bought.
 */
@Controller
class OpenPartnerController {
    private static final int OPENINGS_PER_MINUTE = 60;
    private static final int DAYS = 365;

    /** Older ones are on the statements. */
    private static final int MOST_LINES = 40;

    private final Partners partners;
    private final PartnerQueries queries;
    private final CommissionLines lines;
    private final StatementQueries statements;
    private final StatementPaper paper;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final Clock clock;
    private final CallLimit limit = new CallLimit(OPENINGS_PER_MINUTE);

    OpenPartnerController(
            Partners partners,
            PartnerQueries queries,
            CommissionLines lines,
            StatementQueries statements,
            StatementPaper paper,
            Businesses businesses,
            BusinessScope scope,
            Clock clock) {
        this.partners = partners;
        this.queries = queries;
        this.lines = lines;
        this.statements = statements;
        this.paper = paper;
        this.businesses = businesses;
        this.scope = scope;
        this.clock = clock;
    }

    record OpenPartnerPage(
            String business,
            String language,
            String token,
            PartnerQueries.Row row,
            boolean withValues,
            List<CommissionLines.Terms> terms,
            List<PartnerQueries.OwnLink> links,
            List<String> codes,
            List<CommissionLines.Told> lines,
            int most,
            List<StatementQueries.Row> statements,
            Figures figures) {}

    @GetMapping("/t/partners/{token}")
    ModelAndView page(@PathVariable String token, HttpServletRequest request, HttpServletResponse response) {
        guard(response);
        if (!limit.allows(request.getRemoteAddr())) {
            return gone(HttpStatus.TOO_MANY_REQUESTS);
        }
        return partners.businessOf(token)
                .flatMap(owner ->
                        scope.within(owner, () -> partners.opened(token).map(own -> show(token, own))))
                .orElseGet(() -> gone(HttpStatus.NOT_FOUND));
    }

    private ModelAndView show(String token, OwnPage own) {
        Business business = businesses.current();
        LocalDate today = business.today(clock);
        Period year = Period.ofDays(today.minusDays(DAYS), today);
        Figures figures = figures(business);
        String language = PublicLanguages.speak(own.language());
        return ViewRecord.of(
                "money/partnerpage/open",
                new OpenPartnerPage(
                        business.name(),
                        language,
                        token,
                        queries.find(own.partner(), year, today).orElseThrow(),
                        own.showsValues(),
                        lines.terms(own.partner(), today, figures),
                        queries.links(own.partner(), year),
                        queries.codes(own.partner()),
                        lines.told(own.partner(), year, today, figures),
                        MOST_LINES,
                        statements.of(own.partner()),
                        figures));
    }

    /** The code of one of its links, to print or to show. */
    @GetMapping(value = "/t/partners/{token}/code/{link}.svg", produces = "image/svg+xml")
    ResponseEntity<String> code(@PathVariable String token, @PathVariable UUID link, HttpServletRequest request) {
        if (!limit.allows(request.getRemoteAddr())) {
            throw new ResponseStatusException(HttpStatus.TOO_MANY_REQUESTS);
        }
        return find(
                        token,
                        own -> queries.links(own.partner(), today()).stream()
                                .filter(one -> one.id().equals(link))
                                .findFirst())
                .map(one -> QrCode.smallest(one.address(), Correction.Q))
                .map(address -> ResponseEntity.ok()
                        .contentType(MediaType.valueOf("image/svg+xml"))
                        .cacheControl(CacheControl.noStore())
                        .body(CodeSvg.draw(QrCode.of(address, Correction.Q))))
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/t/partners/{token}/statement-{number}.pdf")
    void statement(
            @PathVariable String token,
            @PathVariable int number,
            HttpServletRequest request,
            HttpServletResponse response)
            throws IOException {
        guard(response);
        if (!limit.allows(request.getRemoteAddr())) {
            throw new ResponseStatusException(HttpStatus.TOO_MANY_REQUESTS);
        }
        byte[] pdf = find(token, own -> {
                    PublicLanguages.speak(own.language());
                    return statements
                            .find(number)
                            .filter(row -> row.partner().equals(own.partner()))
                            .map(row -> paper.pdf(row, businesses.current()));
                })
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        response.setContentType(MediaType.APPLICATION_PDF_VALUE);
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"statement-%d.pdf\"".formatted(number));
        response.getOutputStream().write(pdf);
    }

    private <T> Optional<T> find(String token, java.util.function.Function<OwnPage, Optional<T>> wanted) {
        return partners.businessOf(token)
                .flatMap(owner ->
                        scope.within(owner, () -> partners.opened(token).flatMap(wanted)));
    }

    private Period today() {
        LocalDate day = businesses.current().today(clock);
        return Period.ofDays(day, day);
    }

    private static void guard(HttpServletResponse response) {
        response.setHeader("Cache-Control", "private, no-store");
        response.setHeader("X-Robots-Tag", "noindex, nofollow");
        response.setHeader("Referrer-Policy", "no-referrer");
    }

    private static Figures figures(Business business) {
        return new Figures(business.currency(), business.zone(), business.locale());
    }

    private static ModelAndView gone(HttpStatus status) {
        ModelAndView gone = new ModelAndView("money/partnerpage/open-gone");
        gone.setStatus(status);
        return gone;
    }
}

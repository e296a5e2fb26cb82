package wendo.app.money.partnerpage;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.money.exchange.Claims;
import wendo.app.money.exchange.Materials;
import wendo.app.money.exchange.PartnerMessages;
import wendo.app.money.partners.CommissionLines;
import wendo.app.money.partners.CommissionQueries;
import wendo.app.money.partners.OwnPage;
import wendo.app.money.partners.PartnerQueries;
import wendo.app.money.statements.StatementQueries;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.ViewRecord;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeKind;

/**
 * Gathers what a partner's page shows: that partner's side alone, and of an outcome its day, kind and order number, never
 * who bought.
 */
@Component
class PartnerPages {
    private static final int DAYS = 365;

    /** Older ones are on the statements. */
    private static final int MOST_LINES = 15;

    private final PartnerQueries queries;
    private final CommissionLines lines;
    private final CommissionQueries commissions;
    private final StatementQueries statements;
    private final Claims claims;
    private final PartnerMessages messages;
    private final Materials materials;
    private final Businesses businesses;
    private final Clock clock;

    PartnerPages(
            PartnerQueries queries,
            CommissionLines lines,
            CommissionQueries commissions,
            StatementQueries statements,
            Claims claims,
            PartnerMessages messages,
            Materials materials,
            Businesses businesses,
            Clock clock) {
        this.queries = queries;
        this.lines = lines;
        this.commissions = commissions;
        this.statements = statements;
        this.claims = claims;
        this.messages = messages;
        this.materials = materials;
        this.businesses = businesses;
        this.clock = clock;
    }

    /** What was typed into a form of the page that was refused, and what is wrong with it. */
    record Typed(Map<String, String> values, Map<String, String> faults) {
        static final Typed NOTHING = new Typed(Map.of(), Map.of());
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
            List<CommissionQueries.NotTheirs> notTheirs,
            List<StatementQueries.Row> statements,
            List<Materials.Shown> materials,
            List<Claims.Shown> claims,
            List<PartnerMessages.Shown> messages,
            List<OutcomeKind> kinds,
            Typed typed,
            Figures figures) {}

    ModelAndView show(String token, OwnPage own, Typed typed) {
        Business business = businesses.current();
        LocalDate today = business.today(clock);
        Period year = Period.ofDays(today.minusDays(DAYS), today);
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        String language = PublicLanguages.speak(own.language());
        UUID partner = own.partner();
        ModelAndView page = ViewRecord.of(
                "money/partnerpage/open",
                new OpenPartnerPage(
                        business.name(),
                        language,
                        token,
                        queries.find(partner, year, today).orElseThrow(),
                        own.showsValues(),
                        lines.terms(partner, today, figures),
                        queries.links(partner, year),
                        queries.codes(partner),
                        lines.told(partner, year, today, figures),
                        MOST_LINES,
                        commissions.notTheirs(partner, year, business.zone().getId()),
                        statements.of(partner),
                        materials.of(partner),
                        claims.of(partner),
                        messages.of(partner),
                        List.of(OutcomeKind.BOOKING, OutcomeKind.PURCHASE, OutcomeKind.LEAD),
                        typed,
                        figures));
        return typed.faults().isEmpty() ? page : InvalidForm.of(page);
    }

    /** The address of one of its links. */
    Optional<String> address(OwnPage own, UUID link) {
        LocalDate today = businesses.current().today(clock);
        return queries.links(own.partner(), Period.ofDays(today, today)).stream()
                .filter(one -> one.id().equals(link))
                .findFirst()
                .map(PartnerQueries.OwnLink::address);
    }
}

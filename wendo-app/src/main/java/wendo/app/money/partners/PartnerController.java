package wendo.app.money.partners;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.ListColumn;
import wendo.app.platform.site.ListLook;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbon;
import wendo.app.platform.site.Ribbons;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;
import wendo.app.prepare.evidence.SourceCodes;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Channel;

/** The partners who refer people, and one of them: what is held, due and paid, and by what. */
@Controller
@RequestMapping("/partners")
class PartnerController {
    private final Partners partners;
    private final PartnerQueries queries;
    private final CommissionQueries commissions;
    private final CommissionLines lines;
    private final CommissionReviews reviews;
    private final Sources sources;
    private final SourceCodes codes;
    private final Ribbons ribbons;
    private final Clock clock;

    PartnerController(
            Partners partners,
            PartnerQueries queries,
            CommissionQueries commissions,
            CommissionLines lines,
            CommissionReviews reviews,
            Sources sources,
            SourceCodes codes,
            Ribbons ribbons,
            Clock clock) {
        this.partners = partners;
        this.queries = queries;
        this.commissions = commissions;
        this.lines = lines;
        this.reviews = reviews;
        this.sources = sources;
        this.codes = codes;
        this.ribbons = ribbons;
        this.clock = clock;
    }

    /** A partner with the terms of today in a line; empty text where there are none. */
    record Listed(PartnerQueries.Row row, String terms) {}

    record PartnerListPage(
            List<Listed> rows,
            String find,
            ListLook look,
            List<SourceListed> others,
            String name,
            String fault,
            long dueMinor,
            long heldMinor,
            PeriodChoice choice,
            Ribbon ribbon) {}

    record PartnerPage(
            PartnerQueries.Row row,
            List<CommissionLines.Terms> terms,
            List<CommissionLines.Told> lines,
            List<CommissionQueries.NotTheirs> notTheirs,
            List<PartnerQueries.OwnLink> links,
            List<String> codes,
            List<PartnerQueries.Review> reviews,
            String code,
            String codeFault,
            PeriodChoice choice,
            Ribbon ribbon) {}

    @Needs(Permission.SEE)
    @GetMapping
    ModelAndView list(TypedFields asked, PageContext context) {
        return list(asked, "", "", context);
    }

    @Needs(Permission.SET_UP)
    @PostMapping
    ModelAndView add(@RequestParam(defaultValue = "") String name, TypedFields asked, PageContext context) {
        Optional<String> fault = Sources.refusal(name.strip());
        if (fault.isPresent()) {
            return InvalidForm.of(list(asked, name, fault.get(), context));
        }
        Optional<SourceListed> known = sources.list().stream()
                .filter(one -> one.name().equalsIgnoreCase(name.strip()))
                .findFirst();
        if (known.filter(one -> one.channel() != Channel.PARTNER).isPresent()) {
            return InvalidForm.of(list(asked, name, Texts.of("money.partners.other-channel", name.strip()), context));
        }
        Optional<UUID> added = UniqueKey.stored(
                () -> partners.add(name.strip(), context.person().name()));
        return added.map(id -> new ModelAndView("redirect:/partners/%s/terms".formatted(id)))
                .orElseGet(() -> InvalidForm.of(
                        list(asked, name, Texts.of("money.partners.partner-already", name.strip()), context)));
    }

    @Needs(Permission.EXPORT)
    @GetMapping("/partners.{ending}")
    void export(@PathVariable String ending, TypedFields asked, PageContext context, HttpServletResponse response)
            throws IOException {
        TableFormat wanted =
                TableFormat.find(ending).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        ListLook look = look(asked);
        int decimals = context.business().currency().getDecimalPlaces();
        wanted.send(
                response,
                new NamedTable(
                        "partners",
                        Texts.of("money.partners.partners"),
                        look.shown().stream()
                                .map(one -> Texts.of(one.heading()))
                                .toList(),
                        rows(asked, look, context).stream()
                                .map(one -> look.shown().stream()
                                        .map(column -> cell(one, column, decimals))
                                        .toList())
                                .toList()));
    }

    private static Object cell(Listed one, ListColumn column, int decimals) {
        return switch (column.key()) {
            case "partner" -> one.row().name();
            case "terms" -> one.terms();
            case "outcomes" -> one.row().outcomes();
            case "earned" -> BigDecimal.valueOf(one.row().earnedMinor(), decimals);
            case "held" -> BigDecimal.valueOf(one.row().heldMinor(), decimals);
            case "due" -> BigDecimal.valueOf(one.row().dueMinor(), decimals);
            default -> BigDecimal.valueOf(one.row().paidMinor(), decimals);
        };
    }

    @Needs(Permission.SEE)
    @GetMapping("/{id}")
    ModelAndView page(@PathVariable UUID id, PageContext context) {
        return page(id, "", "", context);
    }

    /** A code that is the partner's already stays as it is. */
    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/codes")
    ModelAndView addCode(@PathVariable UUID id, @RequestParam(defaultValue = "") String code, PageContext context) {
        find(id, context);
        Optional<String> fault = codes.add(id, code.strip(), context.person().name());
        return fault.map(said -> InvalidForm.of(page(id, code, said, context)))
                .orElseGet(() -> new ModelAndView("redirect:/partners/" + id));
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/reviews/{review}")
    String decide(@PathVariable UUID id, @PathVariable UUID review, TypedFields typed, PageContext context) {
        boolean isThere = reviews.decide(
                id,
                review,
                EditedVersion.of(typed.raw("version")),
                new CommissionReviews.Decision(
                        typed.is("paid", "yes"), context.person().name()));
        if (!isThere) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return "redirect:/partners/" + id;
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/end")
    String end(@PathVariable UUID id, @RequestParam boolean away, PageContext context) {
        find(id, context);
        partners.end(id, away);
        return "redirect:/partners/" + id;
    }

    private PartnerQueries.Row find(UUID id, PageContext context) {
        return queries.find(id, context.period(), context.business().today(clock))
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static ListLook look(TypedFields asked) {
        return ListLook.of(PartnerColumns.ALL, "due", asked);
    }

    private List<Listed> rows(TypedFields asked, ListLook look, PageContext context) {
        Figures figures = figures(context.business());
        List<PartnerQueries.Row> found = queries.list(
                new PartnerQueries.Search(asked.text("find"), context.person().may(Permission.SEE_CONTACTS)),
                context.period(),
                context.business().today(clock));
        List<Listed> rows = found.stream()
                .map(row -> new Listed(
                        row,
                        now(row.id(), context.business()).stream()
                                .map(one -> TermsWords.brief(one.terms(), figures))
                                .distinct()
                                .collect(Collectors.joining(" / "))))
                .toList();
        return look.sorted(rows, PartnerColumns.order(look.sorted()));
    }

    private List<AgreedTerms> now(UUID partner, Business business) {
        List<AgreedTerms> all =
                partners.terms(partner).stream().map(Partners.Version::agreed).toList();
        List<AgreedTerms> now = new ArrayList<>();
        for (TermsWay way : TermsWay.values()) {
            AgreedTerms.on(business.today(clock), way, all).ifPresent(now::add);
        }
        return now;
    }

    private ModelAndView list(TypedFields asked, String name, String fault, PageContext context) {
        ListLook look = look(asked);
        List<Listed> rows = rows(asked, look, context);
        Map<UUID, Listed> known =
                rows.stream().collect(Collectors.toMap(one -> one.row().id(), one -> one));
        return ViewRecord.of(
                "money/partners/list",
                new PartnerListPage(
                        rows,
                        asked.text("find"),
                        look,
                        sources.list().stream()
                                .filter(one -> one.channel() == Channel.PARTNER && !known.containsKey(one.id()))
                                .toList(),
                        name,
                        fault,
                        rows.stream()
                                .mapToLong(one -> Math.max(0, one.row().dueMinor()))
                                .sum(),
                        rows.stream().mapToLong(one -> one.row().heldMinor()).sum(),
                        context.choice(),
                        ribbons.draw(context.choice())));
    }

    private ModelAndView page(UUID id, String code, String codeFault, PageContext context) {
        PartnerQueries.Row row = find(id, context);
        Business business = context.business();
        Figures figures = figures(business);
        LocalDate today = business.today(clock);
        return ViewRecord.of(
                "money/partners/page",
                new PartnerPage(
                        row,
                        lines.terms(id, today, figures),
                        lines.told(id, context.period(), today, figures),
                        commissions.notTheirs(
                                id, context.period(), business.zone().getId()),
                        queries.links(id, context.period()),
                        queries.codes(id),
                        queries.reviews(id),
                        code,
                        codeFault,
                        context.choice(),
                        ribbons.draw(context.choice())));
    }

    private static Figures figures(Business business) {
        return new Figures(business.currency(), business.zone(), business.locale());
    }
}

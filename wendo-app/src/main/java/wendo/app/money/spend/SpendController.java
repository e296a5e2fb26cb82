package wendo.app.money.spend;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.ListLook;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbon;
import wendo.app.platform.site.Ribbons;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.campaigns.Campaigns;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.measure.Period;

/** Entering what things cost, and putting it right. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/spend")
class SpendController {
    /** A longer period has too many weeks to be read. */
    private static final int MOST_DAYS_BY_WEEK = 371;

    /** More than a page of them is nobody's choice by hand. */
    private static final int MOST_AT_ONCE = 1000;

    private final Spends spends;
    private final SpendQueries queries;
    private final Sources sources;
    private final Campaigns campaigns;
    private final Ribbons ribbons;
    private final Clock clock;

    SpendController(
            Spends spends, SpendQueries queries, Sources sources, Campaigns campaigns, Ribbons ribbons, Clock clock) {
        this.spends = spends;
        this.queries = queries;
        this.sources = sources;
        this.campaigns = campaigns;
        this.ribbons = ribbons;
        this.clock = clock;
    }

    /** A week of the period: what fell in it, and what came. */
    record Week(SpendQueries.Week came, long spendMinor) {}

    record CostPage(
            SpendQueries.Row row,
            int version,
            SpendForm form,
            Map<String, String> subjects,
            SpendWay[] ways,
            SharedBy[] rules,
            List<SpendQueries.Correction> corrections,
            PeriodChoice choice) {}

    record SpendPage(
            SpendForm form,
            List<SpendQueries.Row> rows,
            List<String> said,
            ListLook look,
            Map<String, String> subjects,
            SpendWay[] ways,
            SharedBy[] rules,
            List<Spends.Missing> missing,
            List<Week> weeks,
            long sumMinor,
            PeriodChoice choice,
            Ribbon ribbon) {}

    @GetMapping
    ModelAndView page(TypedFields asked, PeriodChoice choice, Business business) {
        return page(SpendForm.empty(business.today(clock)), look(asked), choice, business);
    }

    @PostMapping
    ModelAndView enter(TypedFields typed, PeriodChoice choice, Business business, CurrentPerson person) {
        SpendForm.Checked checked =
                SpendForm.check(typed, new ArrayList<>(subjects().keySet()), business);
        if (checked.cost().isEmpty()) {
            return InvalidForm.of(page(checked.form(), look(typed), choice, business));
        }
        spends.enter(checked.cost().get(), person.name());
        return new ModelAndView("redirect:/spend?" + look(typed).behind(choice.query()));
    }

    /** What it cost is known: nothing. */
    @PostMapping("/nothing")
    String nothing(@RequestParam UUID source, TypedFields asked, PeriodChoice choice, CurrentPerson person) {
        SourceListed known = sources.find(source).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        spends.enter(Cost.nothing(known.id(), choice.period().startInclusive()), person.name());
        return "redirect:/spend?" + look(asked).behind(choice.query());
    }

    @GetMapping("/{id}")
    ModelAndView one(@PathVariable UUID id, PeriodChoice choice, Business business) {
        SpendQueries.Row row = row(id, choice);
        return one(row, SpendForm.of(row.cost(), business), choice);
    }

    @PostMapping("/{id}")
    ModelAndView correct(@PathVariable UUID id, TypedFields typed, PageContext context) {
        PeriodChoice choice = context.choice();
        Business business = context.business();
        SpendQueries.Row row = row(id, choice);
        SpendForm.Checked checked =
                SpendForm.check(typed, new ArrayList<>(subjects().keySet()), business);
        if (checked.cost().isEmpty()) {
            return InvalidForm.of(one(row, checked.form(), choice));
        }
        try {
            spends.correct(
                    id,
                    EditedVersion.of(typed.raw("version")),
                    checked.cost().get(),
                    new Spends.Said(said(row, business), context.person().name()));
        } catch (OptimisticLockingFailureException e) {
            SpendQueries.Row theirs = row(id, choice);
            Map<String, String> marks = EditConflict.marks(
                    typed, SpendForm.of(theirs.cost(), business).typed().firstValues());
            return EditConflict.of(
                    one(theirs, new SpendForm(checked.form().typed(), marks), choice),
                    "/spend/%s?%s".formatted(id, choice.query()));
        }
        return new ModelAndView("redirect:/spend?" + choice.query());
    }

    /** What is removed together can be put back together. */
    @PostMapping("/remove")
    String remove(TypedFields typed, PageContext context, RedirectAttributes next) {
        PeriodChoice choice = context.choice();
        List<SpendQueries.Row> rows = typed.ids("spend", MOST_AT_ONCE).stream()
                .map(id -> row(id, choice))
                .toList();
        if (!rows.stream().map(SpendQueries.Row::id).allMatch(spends::remove)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        if (!rows.isEmpty()) {
            next.addFlashAttribute(
                    "removed", rows.stream().map(SpendQueries.Row::id).toList());
            next.addFlashAttribute(
                    "removedSaid",
                    rows.size() == 1
                            ? said(rows.get(0), context.business())
                            : Texts.of("money.spend.amounts", rows.size()));
        }
        return "redirect:/spend?" + look(typed).behind(choice.query());
    }

    @PostMapping("/put-back")
    String putBack(TypedFields typed, PeriodChoice choice) {
        if (!typed.ids("spend", MOST_AT_ONCE).stream().allMatch(spends::putBack)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return "redirect:/spend?" + look(typed).behind(choice.query());
    }

    private SpendQueries.Row row(UUID id, PeriodChoice choice) {
        return queries.find(id, choice.period()).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static String said(SpendQueries.Row row, Business business) {
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        return Texts.of("money.spend.for", CostWords.of(row.cost(), figures), row.name());
    }

    /** What a cost may be of, as the form names it. */
    private Map<String, String> subjects() {
        Map<String, String> subjects = new LinkedHashMap<>();
        sources.list().forEach(source -> subjects.put("source:" + source.id(), source.name()));
        campaigns
                .list()
                .forEach(campaign -> subjects.put(
                        "campaign:" + campaign.id(), Texts.of("money.spend.all-of-campaign", campaign.name())));
        return subjects;
    }

    private ModelAndView one(SpendQueries.Row row, SpendForm form, PeriodChoice choice) {
        return ViewRecord.of(
                "money/spend/one",
                new CostPage(
                        row,
                        spends.version(row.id()),
                        form,
                        subjects(),
                        SpendWay.values(),
                        SharedBy.values(),
                        queries.corrections(row.id()),
                        choice));
    }

    private static ListLook look(TypedFields asked) {
        return ListLook.of(SpendColumns.ALL, "from", asked);
    }

    private ModelAndView page(SpendForm form, ListLook look, PeriodChoice choice, Business business) {
        List<SpendQueries.Row> rows = look.sorted(queries.list(choice.period()), SpendColumns.order(look.sorted()));
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        return ViewRecord.of(
                "money/spend/page",
                new SpendPage(
                        form,
                        rows,
                        rows.stream()
                                .map(row -> CostWords.of(row.cost(), figures))
                                .toList(),
                        look,
                        subjects(),
                        SpendWay.values(),
                        SharedBy.values(),
                        spends.missing(choice.period()),
                        weeks(rows, choice.period(), business),
                        sum(rows),
                        choice,
                        ribbons.draw(choice)));
    }

    private List<Week> weeks(List<SpendQueries.Row> rows, Period period, Business business) {
        if (period.days() > MOST_DAYS_BY_WEEK) {
            return List.of();
        }
        boolean byVisits = rows.stream().anyMatch(row -> row.cost().way() == SpendWay.VISIT);
        return queries.weeks(period, business.zone().getId()).stream()
                .map(week -> {
                    LocalDate end = week.first().plusDays(7);
                    Period days =
                            new Period(week.first(), end.isBefore(period.endExclusive()) ? end : period.endExclusive());
                    return new Week(week, byVisits ? sum(queries.list(days)) : within(rows, days));
                })
                .toList();
    }

    private static long within(List<SpendQueries.Row> rows, Period days) {
        return rows.stream().mapToLong(row -> row.cost().within(days, 0)).sum();
    }

    private static long sum(List<SpendQueries.Row> rows) {
        return rows.stream().mapToLong(SpendQueries.Row::inPeriodMinor).sum();
    }
}

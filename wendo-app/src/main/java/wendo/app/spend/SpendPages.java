package wendo.app.spend;

import java.io.Serializable;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.accounts.CurrentPerson;
import wendo.app.business.Business;
import wendo.app.site.Amount;
import wendo.app.site.PeriodChoice;
import wendo.app.site.Ribbons;
import wendo.app.sources.SourceListed;
import wendo.app.sources.Sources;
import wendo.core.measure.Period;

/** Entering what sources cost. */
@Controller
@RequestMapping("/spend")
class SpendPages {
    private final Spends spends;
    private final SpendQueries queries;
    private final Sources sources;
    private final Ribbons ribbons;
    private final Clock clock;

    SpendPages(Spends spends, SpendQueries queries, Sources sources, Ribbons ribbons, Clock clock) {
        this.spends = spends;
        this.queries = queries;
        this.sources = sources;
        this.ribbons = ribbons;
        this.clock = clock;
    }

    /** What was removed, as its form would enter it again; the session keeps it for one page. */
    record Removed(String source, SpendForm form) implements Serializable {
        static Removed of(SpendQueries.Row row, String amount) {
            Period days = row.lump().period();
            return new Removed(
                    row.source(),
                    new SpendForm(
                            row.sourceId().toString(),
                            amount,
                            days.startInclusive().toString(),
                            days.lastDay().toString(),
                            row.note()));
        }
    }

    @GetMapping
    ModelAndView page(PeriodChoice choice, Business business) {
        return page(SpendForm.empty(business.today(clock)), Map.of(), choice);
    }

    @PostMapping
    ModelAndView enter(@ModelAttribute SpendForm form, PeriodChoice choice, Business business, CurrentPerson person) {
        SpendForm.Checked checked = form.check(business, sources.list());
        if (!checked.faults().isEmpty()) {
            ModelAndView page = page(form, checked.faults(), choice);
            page.setStatus(HttpStatus.UNPROCESSABLE_CONTENT);
            return page;
        }
        spends.enter(
                checked.source().orElseThrow(),
                checked.lump().orElseThrow(),
                form.note().strip(),
                person.name());
        return new ModelAndView("redirect:/spend?" + choice.query());
    }

    @PostMapping("/{id}/remove")
    String remove(@PathVariable UUID id, PeriodChoice choice, Business business, RedirectAttributes next) {
        Optional<SpendQueries.Row> row = queries.find(id, choice.period());
        if (row.isEmpty() || !spends.remove(id)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        next.addFlashAttribute(
                "removed",
                Removed.of(
                        row.get(),
                        Amount.typed(row.get().lump().amountMinor(), business.currency(), business.locale())));
        return "redirect:/spend?" + choice.query();
    }

    private ModelAndView page(SpendForm form, Map<String, String> faults, PeriodChoice choice) {
        List<SpendQueries.Row> rows = queries.list(choice.period());
        List<SourceListed> all = sources.list();
        List<UUID> paid = rows.stream().map(SpendQueries.Row::sourceId).toList();
        return new ModelAndView("spend/page")
                .addObject("form", form)
                .addObject("faults", faults)
                .addObject("rows", rows)
                .addObject("sources", all)
                .addObject(
                        "unpaid",
                        all.stream()
                                .filter(source -> !paid.contains(source.id()))
                                .toList())
                .addObject(
                        "sumMinor",
                        rows.stream().mapToLong(SpendQueries.Row::inPeriodMinor).sum())
                .addObject("choice", choice)
                .addObject("ribbon", ribbons.draw(choice));
    }
}

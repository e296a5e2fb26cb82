package wendo.app.outcomes;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.business.Business;
import wendo.app.site.Figures;
import wendo.app.site.PeriodChoice;
import wendo.app.site.Ribbons;
import wendo.core.outcomes.OutcomeKind;

/** The ledger. */
@Controller
@RequestMapping("/outcomes")
class OutcomePages {
    private static final int MAX_PAGE = 10_000;

    private final OutcomeQueries queries;
    private final Ribbons ribbons;

    OutcomePages(OutcomeQueries queries, Ribbons ribbons) {
        this.queries = queries;
        this.ribbons = ribbons;
    }

    record Line(OutcomeQueries.Row outcome, EvidenceWords evidence) {}

    /** One outcome, on its day in the ledger. */
    @GetMapping("/{id}")
    String one(@PathVariable UUID id, Business business) {
        OutcomeQueries.Row row = queries.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        LocalDate day = row.occurredAt().atZone(business.zone()).toLocalDate();
        return "redirect:/outcomes?from=%s&to=%s#outcome-%s".formatted(day, day, id);
    }

    @GetMapping
    String ledger(
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "0") String page,
            PeriodChoice choice,
            Business business,
            Model model) {
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        Optional<OutcomeKind> chosen = OutcomeKind.find(kind);
        int number = page.matches("\\d{1,4}") ? Math.min(Integer.parseInt(page), MAX_PAGE) : 0;
        List<Line> lines = queries.page(choice.period(), business.zone(), chosen, number).stream()
                .map(row -> new Line(row, EvidenceWords.of(row, figures)))
                .toList();
        model.addAttribute("lines", lines);
        model.addAttribute("sum", queries.sum(choice.period(), business.zone(), chosen));
        model.addAttribute("kind", chosen.map(OutcomeKind::key).orElse(""));
        model.addAttribute("kinds", OutcomeKind.values());
        model.addAttribute("page", number);
        model.addAttribute("pageSize", OutcomeQueries.PAGE);
        model.addAttribute("choice", choice);
        model.addAttribute("ribbon", ribbons.draw(choice));
        return "outcomes/ledger";
    }
}

package wendo.app.compare.experiments;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.table.CompareFrame;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Comparisons;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PeriodChoice;

/** Two groups side by side, and all pairs of them. */
@Controller
@RequestMapping("/compare/pair")
class PairController {
    private final Comparisons comparisons;
    private final CompareFrame frame;

    PairController(Comparisons comparisons, CompareFrame frame) {
        this.comparisons = comparisons;
        this.frame = frame;
    }

    /** Without two of them, those with most people. */
    @GetMapping
    String page(
            @RequestParam Optional<String> one,
            @RequestParam Optional<String> other,
            CompareChoice look,
            PeriodChoice choice,
            Business business,
            Model model) {
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        Comparison comparison = comparisons.compare(choice.period(), business, look);
        List<ComparedRow> groups = Pairs.comparable(comparison);
        Optional<ComparedRow> first =
                one.flatMap(key -> find(groups, key)).or(() -> groups.stream().findFirst());
        Optional<ComparedRow> second = other.flatMap(key -> find(groups, key))
                .filter(row -> !Optional.of(row).equals(first))
                .or(() -> groups.stream()
                        .filter(row -> !Optional.of(row).equals(first))
                        .findFirst());
        model.addAttribute("groups", groups);
        model.addAttribute("first", first);
        model.addAttribute("second", second);
        if (first.isPresent() && second.isPresent()) {
            model.addAttribute("pair", Pair.of(first.get(), second.get(), figures));
            model.addAttribute("pairs", Pairs.of(comparison, look.kind(), figures));
        }
        frame.addTo(model, look, choice);
        return "compare/experiments/pair";
    }

    private static Optional<ComparedRow> find(List<ComparedRow> groups, String key) {
        return groups.stream().filter(row -> row.key().equals(key)).findFirst();
    }
}

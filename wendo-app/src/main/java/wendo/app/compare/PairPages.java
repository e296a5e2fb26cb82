package wendo.app.compare;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import wendo.app.business.Business;
import wendo.app.site.Figures;
import wendo.app.site.PeriodChoice;

/** Two groups side by side, and all pairs of them. */
@Controller
@RequestMapping("/compare/pair")
class PairPages {
    private final Comparisons comparisons;
    private final CompareFrame frame;

    PairPages(Comparisons comparisons, CompareFrame frame) {
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
        return "compare/pair";
    }

    private static Optional<ComparedRow> find(List<ComparedRow> groups, String key) {
        return groups.stream().filter(row -> row.key().equals(key)).findFirst();
    }
}

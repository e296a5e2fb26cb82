package wendo.app.compare.experiments;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.compare.table.CompareContext;
import wendo.app.compare.table.CompareFrame;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Comparisons;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.ViewRecord;

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

    record PairPage(List<ComparedRow> groups, Optional<ComparedRow> first, Optional<ComparedRow> second) {}

    /** The part of the page that needs two groups. */
    record ComparedPair(Pair pair, Pairs pairs) {}

    /** The two chosen groups; where they are not chosen, the two with most people. */
    @GetMapping
    ModelAndView page(
            @RequestParam Optional<String> one, @RequestParam Optional<String> other, CompareContext context) {
        Comparison comparison = comparisons.compare(context.period(), context.business(), context.look());
        List<ComparedRow> groups = Pairs.comparable(comparison);
        Optional<ComparedRow> first =
                one.flatMap(key -> find(groups, key)).or(() -> groups.stream().findFirst());
        Optional<ComparedRow> second = other.flatMap(key -> find(groups, key))
                .filter(row -> !Optional.of(row).equals(first))
                .or(() -> groups.stream()
                        .filter(row -> !Optional.of(row).equals(first))
                        .findFirst());
        ModelAndView page = ViewRecord.of("compare/experiments/pair", new PairPage(groups, first, second));
        if (first.isPresent() && second.isPresent()) {
            Figures figures = context.figures();
            ViewRecord.with(
                    page,
                    new ComparedPair(
                            Pair.of(first.get(), second.get(), figures),
                            Pairs.of(comparison, context.look().kind(), figures)));
        }
        return frame.around(page, context);
    }

    private static Optional<ComparedRow> find(List<ComparedRow> groups, String key) {
        return groups.stream().filter(row -> row.key().equals(key)).findFirst();
    }
}

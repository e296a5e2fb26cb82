package wendo.app.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleFunction;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.business.Business;
import wendo.app.site.Figures;
import wendo.app.site.PeriodChoice;
import wendo.core.measure.Interval;

/** One group of a comparison: its funnel beside the rest, its credit under every model, its months, its takings. */
@Controller
@RequestMapping("/compare/one")
class PanelPages {
    private final Comparisons comparisons;
    private final ModelQueries models;
    private final TakingsQueries takings;
    private final CompareFrame frame;

    PanelPages(Comparisons comparisons, ModelQueries models, TakingsQueries takings, CompareFrame frame) {
        this.comparisons = comparisons;
        this.models = models;
        this.takings = takings;
        this.frame = frame;
    }

    @GetMapping
    String page(@RequestParam String key, CompareChoice look, PeriodChoice choice, Business business, Model model) {
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        Comparison comparison = comparisons.compare(choice.period(), business, look);
        ComparedRow row = comparison
                .find(key)
                .filter(ComparedRow::isGroup)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        ModelView view = comparisons.models(comparison, choice.period(), business, look);
        Judged judged = comparison.judged(row, look.kind());
        model.addAttribute("row", row);
        model.addAttribute("funnel", Funnel.of(row, comparison, figures));
        model.addAttribute("lines", ModelLine.of(view.byKey().getOrDefault(key, Map.of()), look.kind(), figures));
        model.addAttribute("judged", judged);
        model.addAttribute("settles", judged.settles(figures));
        model.addAttribute("said", judged.isPossible() ? view.said(key) : "Without spend nothing is judged.");
        model.addAttribute("months", models.months(key, choice.period(), business.zone(), look));
        model.addAttribute("returns", returns(row, comparison, look, choice, business, figures));
        model.addAttribute("comparison", comparison);
        frame.addTo(model, look, choice, key);
        return "compare/panel";
    }

    /** A measure of what came back, and where it lies with 95 % confidence. */
    record Return(String name, String value, String interval) {}

    private List<Return> returns(
            ComparedRow row,
            Comparison comparison,
            CompareChoice look,
            PeriodChoice choice,
            Business business,
            Figures figures) {
        Optional<Interval> interval =
                takings.of(row, choice.period(), business.zone(), look).interval();
        List<Return> returns = new ArrayList<>();
        returns.add(measured("Revenue", row.revenueMinor(), interval, figures::money));
        long spend = row.spendMinor().orElse(0L);
        if (spend > 0) {
            returns.add(measured(
                    "Revenue ÷ spend (ROAS)", row.revenueMinor(), interval, minor -> figures.decimal(minor / spend)));
            comparison
                    .margin(row)
                    .ifPresent(margin -> returns.add(measured(
                            "Return on spend at a margin of %d %% (ROI)".formatted(margin),
                            row.revenueMinor(),
                            interval,
                            minor -> figures.wholePercent((minor * margin / 100 - spend) / spend))));
        }
        return returns;
    }

    private static Return measured(String name, long minor, Optional<Interval> interval, DoubleFunction<String> shown) {
        return new Return(
                name,
                shown.apply(minor),
                interval.map(one -> shown.apply(one.low()) + " to " + shown.apply(one.high()))
                        .orElse("fewer than five people paid"));
    }
}

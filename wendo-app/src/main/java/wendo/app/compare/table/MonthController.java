package wendo.app.compare.table;

import java.util.EnumMap;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Grouping;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.PeriodChoice;
import wendo.core.outcomes.OutcomeKind;

/** Campaigns by month. */
@Controller
@RequestMapping("/compare/months")
class MonthController {
    private final CampaignMonthQueries queries;
    private final CompareFrame frame;

    MonthController(CampaignMonthQueries queries, CompareFrame frame) {
        this.queries = queries;
        this.frame = frame;
    }

    @GetMapping
    String page(CompareChoice look, PeriodChoice choice, Business business, Model model) {
        CompareChoice byCampaign = look.with(Grouping.CAMPAIGN);
        Map<OutcomeKind, CampaignMonths> byKind = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            byKind.put(
                    kind,
                    CampaignMonths.of(
                            queries.cells(choice.period(), business.zone(), byCampaign, kind), choice.period()));
        }
        model.addAttribute("months", byKind.get(byCampaign.kind()));
        model.addAttribute("measures", CampaignMeasures.of(byKind));
        frame.addTo(model, byCampaign, choice);
        return "compare/table/months";
    }
}

package wendo.app.compare.table;

import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Grouping;
import wendo.app.platform.site.ViewRecord;
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

    record MonthPage(CampaignMonths months, CampaignMeasures measures) {}

    @GetMapping
    ModelAndView page(CompareContext context) {
        CompareChoice byCampaign = context.look().with(Grouping.CAMPAIGN);
        Map<OutcomeKind, CampaignMonths> byKind = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            byKind.put(
                    kind,
                    CampaignMonths.of(
                            queries.cells(context.period(), context.zone(), byCampaign, kind), context.period()));
        }
        ModelAndView page = ViewRecord.of(
                "compare/table/months",
                new MonthPage(Objects.requireNonNull(byKind.get(byCampaign.kind())), CampaignMeasures.of(byKind)));
        return frame.around(page, context.with(byCampaign));
    }
}

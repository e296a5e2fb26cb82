package wendo.app.compare;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import wendo.app.business.Business;
import wendo.app.site.PeriodChoice;

/** Campaigns by month. */
@Controller
@RequestMapping("/compare/months")
class MonthPages {
    private final CampaignMonthQueries queries;
    private final CompareFrame frame;

    MonthPages(CampaignMonthQueries queries, CompareFrame frame) {
        this.queries = queries;
        this.frame = frame;
    }

    @GetMapping
    String page(CompareChoice look, PeriodChoice choice, Business business, Model model) {
        CompareChoice byCampaign = look.with(Grouping.CAMPAIGN);
        model.addAttribute(
                "months",
                CampaignMonths.of(queries.cells(choice.period(), business.zone(), byCampaign), choice.period()));
        frame.addTo(model, byCampaign, choice);
        return "compare/months";
    }
}

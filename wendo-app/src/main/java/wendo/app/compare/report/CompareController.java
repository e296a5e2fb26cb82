package wendo.app.compare.report;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.table.CompareFrame;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.PeriodChoice;

/** Groups side by side. */
@Controller
@RequestMapping("/compare")
class CompareController {
    private final ReportContent content;
    private final CompareFrame frame;

    CompareController(ReportContent content, CompareFrame frame) {
        this.content = content;
        this.frame = frame;
    }

    @GetMapping
    String page(CompareChoice look, PeriodChoice choice, Business business, Model model) {
        model.addAllAttributes(content.table(look, choice, business));
        frame.addTo(model, look, choice);
        return "compare/report/page";
    }
}

package wendo.app.compare;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import wendo.app.business.Business;
import wendo.app.site.PeriodChoice;

/** Groups side by side. */
@Controller
@RequestMapping("/compare")
class ComparePages {
    private final ReportContent content;
    private final CompareFrame frame;

    ComparePages(ReportContent content, CompareFrame frame) {
        this.content = content;
        this.frame = frame;
    }

    @GetMapping
    String page(CompareChoice look, PeriodChoice choice, Business business, Model model) {
        model.addAllAttributes(content.table(look, choice, business));
        frame.addTo(model, look, choice);
        return "compare/page";
    }
}

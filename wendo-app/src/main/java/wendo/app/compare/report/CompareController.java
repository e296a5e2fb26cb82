package wendo.app.compare.report;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.compare.table.CompareContext;
import wendo.app.compare.table.CompareFrame;
import wendo.app.platform.site.ViewRecord;

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
    ModelAndView page(CompareContext context) {
        return frame.around(ViewRecord.of("compare/report/page", content.folded(context)), context);
    }
}

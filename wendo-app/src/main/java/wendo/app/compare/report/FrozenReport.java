package wendo.app.compare.report;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.WebContext;
import org.thymeleaf.spring6.SpringTemplateEngine;
import org.thymeleaf.web.servlet.JakartaServletWebApplication;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.PeriodChoice;

/** A report as it was when it was shared: the page's own text, written by the same template as a live one. */
@Component
class FrozenReport {
    /** Names of files change with their content; a report outlives them. */
    private static final Pattern HASHED = Pattern.compile("(/assets/icons)-[0-9a-f]+(\\.svg)");

    private final SpringTemplateEngine templates;
    private final ReportContent content;

    FrozenReport(SpringTemplateEngine templates, ReportContent content) {
        this.templates = templates;
        this.content = content;
    }

    String render(
            List<ReportSection> sections,
            CompareChoice look,
            PeriodChoice choice,
            Business business,
            HttpServletRequest request,
            HttpServletResponse response) {
        Map<String, Object> variables = content.report(sections, look, choice, business);
        WebContext context = new WebContext(
                JakartaServletWebApplication.buildApplication(request.getServletContext())
                        .buildExchange(request, response),
                business.locale(),
                variables);
        String text = templates.process("compare/report/report", Set.of("shown"), context);
        return HASHED.matcher(text).replaceAll("$1$2");
    }
}

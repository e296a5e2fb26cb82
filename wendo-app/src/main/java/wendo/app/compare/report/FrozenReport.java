package wendo.app.compare.report;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.ServletWebRequest;
import org.thymeleaf.context.WebContext;
import org.thymeleaf.spring6.SpringTemplateEngine;
import org.thymeleaf.web.servlet.JakartaServletWebApplication;
import wendo.app.compare.table.CompareContext;

/** A report as it was when it was shared: the page's own text, written by the same template as a live one. */
@Component
class FrozenReport {
    /** Asset names change with their content, so a stored page holds its style itself. */
    private static final Pattern HASHED = Pattern.compile("(/assets/icons)-[0-9a-f]+(\\.svg)");

    private final SpringTemplateEngine templates;
    private final ReportContent content;

    FrozenReport(SpringTemplateEngine templates, ReportContent content) {
        this.templates = templates;
        this.content = content;
    }

    String render(List<ReportSection> sections, CompareContext compared, ServletWebRequest web) {
        WebContext context = new WebContext(
                JakartaServletWebApplication.buildApplication(web.getRequest().getServletContext())
                        .buildExchange(web.getRequest(), Objects.requireNonNull(web.getResponse())),
                compared.business().locale(),
                content.report(sections, compared));
        String text = templates.process("compare/report/report", Set.of("shown"), context);
        return HASHED.matcher(text).replaceAll("$1$2");
    }
}

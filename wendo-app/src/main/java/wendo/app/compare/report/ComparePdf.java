package wendo.app.compare.report;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;
import wendo.app.compare.table.CompareContext;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;

/** The comparison on paper: A4 across, with each interval in figures. */
@Component
class ComparePdf {
    private static final String FONT = "Libre Franklin";

    private final SpringTemplateEngine templates;
    private final ReportContent content;

    ComparePdf(SpringTemplateEngine templates, ReportContent content) {
        this.templates = templates;
        this.content = content;
    }

    void write(CompareContext context, OutputStream out) throws IOException {
        Business business = context.business();
        Map<String, Object> shown = new HashMap<>(ViewRecord.values(content.table(context)));
        shown.put("business", business.name());
        shown.put("figures", context.figures());
        new PdfRendererBuilder()
                .useFont(() -> font("400"), FONT, 400, FontStyle.NORMAL, true)
                .useFont(() -> font("600"), FONT, 600, FontStyle.NORMAL, true)
                .withHtmlContent(page(business, shown), null)
                .toStream(out)
                .run();
    }

    /** As XML with its style inside. XML asks for the doctype in capitals. */
    private String page(Business business, Map<String, Object> shown) throws IOException {
        try (InputStream style = data("print.css")) {
            return templates
                    .process("compare/report/print", new Context(Texts.language(), shown))
                    .replaceFirst("<!doctype", "<!DOCTYPE")
                    .replace(
                            "</head>",
                            "<style>" + new String(style.readAllBytes(), StandardCharsets.UTF_8) + "</style></head>");
        }
    }

    private static InputStream font(String weight) {
        return data("print-" + weight + ".ttf");
    }

    private static InputStream data(String name) {
        return Objects.requireNonNull(ComparePdf.class.getResourceAsStream("/data/" + name));
    }
}

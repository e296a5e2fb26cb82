package wendo.app.platform.site;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/** A page on paper, as PDF: A4. */
@Component
public class PrintedPage {
    private static final String FONT = "Libre Franklin";

    private final SpringTemplateEngine templates;

    PrintedPage(SpringTemplateEngine templates) {
        this.templates = templates;
    }

    /** How the paper lies. */
    public enum Sheet {
        ACROSS(""),
        UPRIGHT("@page { size: A4 portrait; }");

        private final String style;

        Sheet(String style) {
            this.style = style;
        }
    }

    /** @param template XML with a head; its style is added here */
    public void write(String template, Map<String, Object> shown, Sheet sheet, OutputStream out) throws IOException {
        new PdfRendererBuilder()
                .useFont(() -> font("400"), FONT, 400, FontStyle.NORMAL, true)
                .useFont(() -> font("600"), FONT, 600, FontStyle.NORMAL, true)
                .withHtmlContent(page(template, shown, sheet), null)
                .toStream(out)
                .run();
    }

    /** As XML with its style inside. XML asks for the doctype in capitals. */
    private String page(String template, Map<String, Object> shown, Sheet sheet) throws IOException {
        try (InputStream style = data("print.css")) {
            String rules = new String(style.readAllBytes(), StandardCharsets.UTF_8) + sheet.style;
            return templates
                    .process(template, new Context(Texts.language(), shown))
                    .replaceFirst("<!doctype", "<!DOCTYPE")
                    .replace("</head>", "<style>" + rules + "</style></head>");
        }
    }

    private static InputStream font(String weight) {
        return data("print-" + weight + ".ttf");
    }

    private static InputStream data(String name) {
        return Objects.requireNonNull(PrintedPage.class.getResourceAsStream("/data/" + name));
    }
}

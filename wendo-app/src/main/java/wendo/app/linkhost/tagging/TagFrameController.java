package wendo.app.linkhost.tagging;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.util.HtmlUtils;
import wendo.app.audience.visitortags.DirectoryTag;
import wendo.app.audience.visitortags.TagDirectory;
import wendo.app.audience.visitortags.TagKind;
import wendo.core.visits.ClickId;

/**
 * The page that an ad desk's script runs on, shut up: the sandbox gives it an origin of nobody's, so that it sees no cookie
 * of the link domain, however the page is opened (HTML Standard, 7.6).
 */
@Controller
class TagFrameController {
    private static final String POLICY =
            "sandbox allow-scripts; default-src 'none'; script-src 'self' %1$s; img-src %1$s; connect-src %1$s; base-uri 'none'; frame-ancestors *";

    private final TagDirectory directory;

    TagFrameController(TagDirectory directory) {
        this.directory = directory;
    }

    @GetMapping("/t/tags/{tag}")
    void show(
            @PathVariable UUID tag,
            @RequestParam(name = ClickId.PARAMETER, defaultValue = "") String click,
            HttpServletResponse response)
            throws IOException {
        DirectoryTag found = directory
                .find(tag)
                .filter(one -> one.kind() == TagKind.SCRIPT)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        ClickId visit = ClickId.find(click).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        response.setContentType("text/html;charset=UTF-8");
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("Content-Security-Policy", POLICY.formatted(found.origin()));
        response.getOutputStream().write("""
                        <!doctype html>
                        <html lang="en"><head><meta charset="utf-8"><title>%s</title>
                        <script src="/t/tag-frame.js"></script>
                        <script src="%s" data-id="%s" async></script>
                        </head><body></body></html>
                        """.formatted(
                        HtmlUtils.htmlEscape(found.name()),
                        HtmlUtils.htmlEscape(found.filled(visit)),
                        HtmlUtils.htmlEscape(found.identifier()))
                .getBytes(StandardCharsets.UTF_8));
    }
}

package wendo.app.place.codes;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.platform.appearance.Logos;
import wendo.app.platform.site.Texts;
import wendo.core.media.CodeSvg;

/** The files of codes: one as SVG, PNG or PDF, many as sheets. */
@Controller
@RequestMapping("/codes")
class CodeFiles {
    private static final int USUAL_DPI = 300;

    private final CodeContext desk;
    private final Logos logos;

    CodeFiles(CodeContext desk, Logos logos) {
        this.desk = desk;
        this.logos = logos;
    }

    @GetMapping("/{id}.svg")
    ResponseEntity<byte[]> svg(@PathVariable UUID id, HttpServletRequest request) {
        CodeOrder order = CodeOrder.of(CodeContext.field(request));
        DrawnCode code = desk.codes(List.of(id), order).get(0);
        String svg = CodeSvg.draw(
                code.size(), code.captions(), desk.mark(order, List.of(code)).flatMap(picture -> logos.find()));
        return file(svg.getBytes(StandardCharsets.UTF_8), "image/svg+xml", named(code, "svg", request));
    }

    @GetMapping("/{id}.png")
    ResponseEntity<byte[]> png(
            @PathVariable UUID id, @RequestParam(defaultValue = "300") String dpi, HttpServletRequest request) {
        CodeOrder order = CodeOrder.of(CodeContext.field(request));
        DrawnCode code = desk.codes(List.of(id), order).get(0);
        int wanted = dpi.matches("\\d{2,4}") ? Math.min(1200, Integer.parseInt(dpi)) : USUAL_DPI;
        return file(
                CodeImage.png(code, wanted, desk.mark(order, List.of(code))), "image/png", named(code, "png", request));
    }

    @GetMapping("/{id}.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable UUID id, HttpServletRequest request) {
        CodeOrder order = CodeOrder.of(CodeContext.field(request));
        DrawnCode code = desk.codes(List.of(id), order).get(0);
        return file(
                CodePdf.write(code, desk.mark(order, List.of(code))), "application/pdf", named(code, "pdf", request));
    }

    @GetMapping("/sheet.pdf")
    ResponseEntity<byte[]> sheet(
            @RequestParam(name = "link", defaultValue = "") List<UUID> wanted, HttpServletRequest request) {
        CodeOrder order = CodeOrder.of(CodeContext.field(request));
        SheetOrder sheet = SheetOrder.of(CodeContext.field(request));
        List<DrawnCode> codes = desk.codes(wanted, order).stream()
                .flatMap(code -> Collections.nCopies(order.copies(), code).stream())
                .toList();
        if (codes.isEmpty()
                || codes.stream().anyMatch(code -> !sheet.refusal(code).isEmpty())
                || !sheet.fault().isEmpty()) {
            throw new ResponseStatusException(
                    HttpStatus.UNPROCESSABLE_CONTENT, Texts.of("place.codes.these-codes-do-not-fit"));
        }
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, named("codes.pdf"))
                .body(CodePdf.write(codes, sheet.layout(), desk.mark(order, codes)));
    }

    /** Shown on the page, or taken away as a file. */
    private static ResponseEntity<byte[]> file(byte[] bytes, String type, Optional<String> takenAs) {
        ResponseEntity.BodyBuilder answer = ResponseEntity.ok().contentType(MediaType.valueOf(type));
        takenAs.ifPresent(name -> answer.header(HttpHeaders.CONTENT_DISPOSITION, named(name)));
        return answer.body(bytes);
    }

    private static Optional<String> named(DrawnCode code, String ending, HttpServletRequest request) {
        return Optional.ofNullable(request.getParameter("keep"))
                .map(asked -> code.link().slug() + "." + ending);
    }

    private static String named(String name) {
        return ContentDisposition.attachment().filename(name).build().toString();
    }
}

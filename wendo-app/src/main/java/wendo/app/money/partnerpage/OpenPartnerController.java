package wendo.app.money.partnerpage;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.money.exchange.Materials;
import wendo.app.money.partnerpage.PartnerDoor.Call;
import wendo.app.money.partners.OwnPage;
import wendo.app.money.partners.Partners;
import wendo.app.money.statements.StatementPaper;
import wendo.app.money.statements.StatementQueries;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.PublicLanguages;
import wendo.core.media.CodeSvg;
import wendo.core.media.Correction;
import wendo.core.media.QrCode;

/** A partner's page as everybody sees it who knows its address, and what belongs to it. */
@Controller
@RequestMapping("/t/partners/{token}")
class OpenPartnerController {
    private final PartnerDoor door;
    private final PartnerPages pages;
    private final Partners partners;
    private final Materials materials;
    private final StatementQueries statements;
    private final StatementPaper paper;
    private final Businesses businesses;

    OpenPartnerController(
            PartnerDoor door,
            PartnerPages pages,
            Partners partners,
            Materials materials,
            StatementQueries statements,
            StatementPaper paper,
            Businesses businesses) {
        this.door = door;
        this.pages = pages;
        this.partners = partners;
        this.materials = materials;
        this.statements = statements;
        this.paper = paper;
        this.businesses = businesses;
    }

    @GetMapping
    ModelAndView page(@PathVariable String token, HttpServletRequest request, HttpServletResponse response) {
        return door.page(new Call(token, request, response), own -> {
            partners.opened(own.partner());
            return pages.show(token, own, PartnerPages.Typed.NOTHING);
        });
    }

    /** Asks for a code by mail, or gives it. */
    @PostMapping("/code")
    ModelAndView code(
            @PathVariable String token,
            @RequestParam Optional<String> code,
            HttpServletRequest request,
            HttpServletResponse response) {
        return door.code(new Call(token, request, response), code);
    }

    /** The code of one of its links, to print or to show. */
    @GetMapping(value = "/code/{link}.svg", produces = "image/svg+xml")
    ResponseEntity<String> code(
            @PathVariable String token,
            @PathVariable UUID link,
            HttpServletRequest request,
            HttpServletResponse response) {
        String address = door.part(new Call(token, request, response), own -> pages.address(own, link));
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("image/svg+xml"))
                .cacheControl(CacheControl.noStore())
                .body(CodeSvg.draw(QrCode.of(QrCode.smallest(address, Correction.Q), Correction.Q)));
    }

    @GetMapping("/statement-{number}.pdf")
    void statement(
            @PathVariable String token,
            @PathVariable int number,
            HttpServletRequest request,
            HttpServletResponse response)
            throws IOException {
        byte[] pdf = door.part(new Call(token, request, response), own -> paper(own, number));
        response.setContentType(MediaType.APPLICATION_PDF_VALUE);
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"statement-%d.pdf\"".formatted(number));
        response.getOutputStream().write(pdf);
    }

    private Optional<byte[]> paper(OwnPage own, int number) {
        PublicLanguages.speak(own.language());
        return statements
                .find(number)
                .filter(row -> row.partner().equals(own.partner()))
                .map(row -> paper.pdf(row, businesses.current()));
    }

    @GetMapping("/material/{id}.jpg")
    void material(
            @PathVariable String token, @PathVariable UUID id, HttpServletRequest request, HttpServletResponse response)
            throws IOException {
        byte[] jpeg = door.part(new Call(token, request, response), own -> materials.picture(own.partner(), id));
        response.setContentType(MediaType.IMAGE_JPEG_VALUE);
        response.getOutputStream().write(jpeg);
    }
}

package wendo.app.place.codes;

import jakarta.servlet.http.HttpServletRequest;
import java.awt.image.BufferedImage;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.appearance.Logos;
import wendo.app.platform.site.Texts;

/** Finds the links whose codes are wanted, and says what keeps the codes from being made. */
@Component
class CodeContext {
    static final int MOST_LINKS = 500;

    private final LinkSaving links;
    private final Logos logos;

    CodeContext(LinkSaving links, Logos logos) {
        this.links = links;
        this.logos = logos;
    }

    List<DrawnCode> codes(List<UUID> wanted, CodeOrder order) {
        return find(wanted).stream().map(link -> DrawnCode.of(link, order)).toList();
    }

    private List<LinkListed> find(List<UUID> wanted) {
        List<LinkListed> found =
                links.find(wanted.stream().distinct().limit(MOST_LINKS).toList());
        if (found.isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return found;
    }

    /** What keeps these codes from being made; empty text if nothing does. */
    String refusal(CodeOrder order, List<DrawnCode> codes) {
        if (!order.hasMark()) {
            return "";
        }
        Optional<BufferedImage> mark = logos.picture();
        if (mark.isEmpty()) {
            return Texts.of("place.codes.there-is-no-logo-yet");
        }
        if (!order.correction().allowsMark()) {
            return Texts.of("place.codes.a-logo-needs-correction-q");
        }
        return codes.stream().allMatch(code -> CodeImage.isReadable(code.code(), mark.get()))
                ? ""
                : Texts.of("place.codes.with-this-logo-in-the");
    }

    /** The mark for codes that want it; ends the request where it cannot stand in them. */
    Optional<BufferedImage> mark(CodeOrder order, List<DrawnCode> codes) {
        String refusal = refusal(order, codes);
        if (!refusal.isEmpty()) {
            throw new ResponseStatusException(HttpStatus.UNPROCESSABLE_CONTENT, refusal);
        }
        return order.hasMark() ? logos.picture() : Optional.empty();
    }

    static UnaryOperator<String> field(HttpServletRequest request) {
        return name -> Optional.ofNullable(request.getParameter(name)).orElse("");
    }
}

package wendo.app.place.codes;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.appearance.Logos;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.core.media.Correction;
import wendo.core.media.PrintedSize;

/** The page that codes of one or many links are ordered on. */
@Controller
@RequestMapping("/codes")
class CodeController {
    private static final int SHOWN = 12;

    private final CodeContext desk;
    private final Logos logos;

    CodeController(CodeContext desk, Logos logos) {
        this.desk = desk;
        this.logos = logos;
    }

    record CodePage(
            List<DrawnCode> codes,
            int all,
            List<UUID> ids,
            String typedSide,
            String orderQuery,
            Map<String, String> words,
            CodeOrder order,
            SheetOrder sheet,
            List<SheetOrder.Usual> sheets,
            Set<String> measures,
            Correction[] corrections,
            CodeOrder.Under[] unders,
            boolean hasMark,
            String refusal,
            String sheetRefusal,
            int pages,
            double smallest,
            String query) {}

    /** From the list of links, where they are ticked. */
    @Needs(Permission.ISSUE)
    @PostMapping
    String choose(@RequestParam(name = "link", defaultValue = "") List<UUID> wanted) {
        return wanted.isEmpty()
                ? "redirect:/links"
                : "redirect:/codes?"
                        + wanted.stream()
                                .limit(CodeContext.MOST_LINKS)
                                .map(id -> "link=" + id)
                                .collect(Collectors.joining("&"));
    }

    @GetMapping
    ModelAndView page(@RequestParam(name = "link", defaultValue = "") List<UUID> wanted, HttpServletRequest request) {
        CodeOrder order = CodeOrder.of(CodeContext.field(request));
        SheetOrder sheet = SheetOrder.of(CodeContext.field(request));
        List<DrawnCode> codes = desk.codes(wanted, order);
        return ViewRecord.of(
                "place/codes/page",
                new CodePage(
                        codes.stream().limit(SHOWN).toList(),
                        codes.size(),
                        codes.stream().map(code -> code.link().id()).toList(),
                        Optional.ofNullable(request.getParameter("side")).orElse(order.sideTyped()),
                        order.query(),
                        measures(),
                        order,
                        sheet,
                        SheetOrder.USUAL,
                        SheetOrder.MEASURES.keySet(),
                        Correction.values(),
                        CodeOrder.Under.values(),
                        logos.isThere(),
                        desk.refusal(order, codes),
                        codes.stream()
                                .map(sheet::refusal)
                                .filter(text -> !text.isEmpty())
                                .findFirst()
                                .orElse(""),
                        sheet.layout().pages(codes.size() * order.copies()),
                        codes.stream()
                                .mapToDouble(code -> PrintedSize.smallestSide(code.code()))
                                .max()
                                .orElse(0),
                        order.query() + "&" + sheet.query() + "&"
                                + codes.stream()
                                        .map(code -> "link=" + code.link().id())
                                        .collect(Collectors.joining("&"))));
    }

    /** What the measurements of a sheet are called, by their names. */
    private static Map<String, String> measures() {
        return Map.of(
                "paperWidth", Texts.of("place.codes.measure-paper-width"),
                "paperHeight", Texts.of("place.codes.measure-paper-height"),
                "columns", Texts.of("place.codes.measure-columns"),
                "rows", Texts.of("place.codes.measure-rows"),
                "cellWidth", Texts.of("place.codes.measure-cell-width"),
                "cellHeight", Texts.of("place.codes.measure-cell-height"),
                "marginLeft", Texts.of("place.codes.measure-margin-left"),
                "marginTop", Texts.of("place.codes.measure-margin-top"),
                "gapAcross", Texts.of("place.codes.measure-gap-across"),
                "gapDown", Texts.of("place.codes.measure-gap-down"));
    }
}

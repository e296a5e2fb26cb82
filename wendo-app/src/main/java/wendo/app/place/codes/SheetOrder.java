package wendo.app.place.codes;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.springframework.web.util.UriComponentsBuilder;
import wendo.app.platform.site.Texts;
import wendo.core.media.SheetLayout;

/** The sheet that codes are wanted on: a usual one, or labels by their measurements. */
record SheetOrder(String key, SheetLayout layout, Map<String, String> typed, String fault) {
    static final String OWN = "own";

    /** Measurements of a sheet of one's own, in the order of {@link SheetLayout}, with what is usual. */
    static final Map<String, Double> MEASURES = measures();

    /** A sheet that many have in the drawer. */
    record Usual(String key, String text, SheetLayout layout) {
        public String words() {
            return Texts.of(text);
        }
    }

    private static final SheetLayout A4 = SheetLayout.card(210, 297);
    private static final SheetLayout A5 = SheetLayout.card(148, 210);

    static final List<Usual> USUAL = List.of(
            new Usual("a4-24", "place.codes.sheet-a4-24", new SheetLayout(210, 297, 3, 8, 70, 36, 0, 4.5, 0, 0)),
            new Usual("a4-12", "place.codes.sheet-a4-12", SheetLayout.even(A4, 3, 4, 10)),
            new Usual("a4-1", "place.codes.sheet-a4-1", SheetLayout.even(A4, 1, 1, 15)),
            new Usual("a5-6", "place.codes.sheet-a5-6", SheetLayout.even(A5, 2, 3, 8)),
            new Usual("a5-1", "place.codes.sheet-a5-1", SheetLayout.even(A5, 1, 1, 10)),
            new Usual("a6-1", "place.codes.sheet-a6-1", SheetLayout.card(105, 148)));

    private static Map<String, Double> measures() {
        Map<String, Double> measures = new LinkedHashMap<>();
        measures.put("paperWidth", 210.0);
        measures.put("paperHeight", 297.0);
        measures.put("columns", 3.0);
        measures.put("rows", 8.0);
        measures.put("cellWidth", 63.5);
        measures.put("cellHeight", 33.9);
        measures.put("marginLeft", 7.2);
        measures.put("marginTop", 12.9);
        measures.put("gapAcross", 2.5);
        measures.put("gapDown", 0.0);
        return measures;
    }

    SheetOrder {
        typed = Map.copyOf(typed);
    }

    static SheetOrder of(UnaryOperator<String> field) {
        Map<String, String> typed = new HashMap<>();
        MEASURES.forEach((name, usual) -> typed.put(
                name,
                field.apply(name).isBlank()
                        ? CodeOrder.plain(usual)
                        : field.apply(name).strip()));
        if (!field.apply("sheet").equals(OWN)) {
            Usual usual = USUAL.stream()
                    .filter(one -> one.key().equals(field.apply("sheet")))
                    .findFirst()
                    .orElse(USUAL.get(0));
            return new SheetOrder(usual.key(), usual.layout(), typed, "");
        }
        try {
            return new SheetOrder(OWN, layout(typed), typed, "");
        } catch (IllegalArgumentException e) {
            return new SheetOrder(OWN, USUAL.get(0).layout(), typed, Texts.said(e));
        }
    }

    private static SheetLayout layout(Map<String, String> typed) {
        Map<String, String> faults = new HashMap<>();
        double[] m = MEASURES.entrySet().stream()
                .mapToDouble(one -> new NumberField(one.getKey(), one.getValue(), 0, SheetLayout.LONGEST_PAPER)
                        .read(typed.getOrDefault(one.getKey(), ""), faults))
                .toArray();
        if (!faults.isEmpty()) {
            throw new IllegalArgumentException(Texts.of("place.codes.enter-all-measurements-in-millimetres"));
        }
        return new SheetLayout(m[0], m[1], (int) m[2], (int) m[3], m[4], m[5], m[6], m[7], m[8], m[9]);
    }

    /** What keeps a code from a cell; empty text if it fits. */
    String refusal(DrawnCode code) {
        double width = CodePdf.needsWidth(code);
        double height = CodePdf.needsHeight(code);
        if (width <= layout.cellWidth() + 0.01 && height <= layout.cellHeight() + 0.01) {
            return "";
        }
        double scale = Math.min(
                layout.cellWidth() / code.size().acrossMillimetres(),
                (layout.cellHeight() - code.captions().size() * CodePdf.LINE)
                        / code.size().acrossMillimetres());
        return Texts.of(
                "place.codes.needs-mm-with-its-light",
                code.link().name(),
                CodeOrder.plain(width),
                CodeOrder.plain(height),
                CodeOrder.plain(layout.cellWidth()),
                CodeOrder.plain(layout.cellHeight()),
                CodeOrder.plain(Math.floor(code.size().millimetres() * scale * 10) / 10));
    }

    public String query() {
        UriComponentsBuilder query = UriComponentsBuilder.newInstance().queryParam("sheet", key);
        if (key.equals(OWN)) {
            MEASURES.keySet().forEach(name -> query.queryParam(name, "{" + name + "}"));
        }
        return String.valueOf(query.encode().buildAndExpand(typed).getQuery());
    }
}

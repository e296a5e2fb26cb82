package wendo.core.media;

import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Draws a code as SVG: one path, a unit a module, with its quiet zone; at true size where a size is given. */
public final class CodeSvg {
    /** Of a line of text below a code. */
    public static final double LINE_MILLIMETRES = 3.6;

    private CodeSvg() {}

    /** For a screen: it takes the room it is given. */
    public static String draw(QrCode code) {
        return draw(code, "", code.modulesAcross(), "");
    }

    /** At true size, with lines of text below it, and a business's mark in the middle where there is one. */
    public static String draw(PrintedSize size, List<String> captions, Optional<byte[]> markPng) {
        double line = LINE_MILLIMETRES / size.moduleMillimetres();
        double height = size.code().modulesAcross() + captions.size() * line;
        String measures = String.format(
                Locale.ROOT,
                " width=\"%.3fmm\" height=\"%.3fmm\"",
                size.acrossMillimetres(),
                height * size.moduleMillimetres());
        StringBuilder below =
                new StringBuilder(markPng.map(png -> mark(size.code(), png)).orElse(""));
        for (int i = 0; i < captions.size(); i++) {
            below.append(caption(size.code(), captions.get(i), line, i));
        }
        return draw(size.code(), measures, height, below.toString());
    }

    /** Centred; a long line gets smaller letters, at half a letter's height to a letter's width. */
    private static String caption(QrCode code, String text, double line, int place) {
        double letters = Math.min(line * 0.78, code.modulesAcross() / (0.56 * Math.max(1, text.length())));
        return String.format(
                Locale.ROOT,
                "<text x=\"%.2f\" y=\"%.2f\" font-size=\"%.2f\" text-anchor=\"middle\" font-family=\"sans-serif\">%s</text>",
                code.modulesAcross() / 2.0,
                code.modulesAcross() + (place + 0.78) * line,
                letters,
                escape(text));
    }

    private static String escape(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }

    private static String draw(QrCode code, String measures, double height, String more) {
        StringBuilder path = new StringBuilder();
        for (QrCode.Run run : code.runs()) {
            path.append("M%d %dh%dv1h-%dz"
                    .formatted(
                            run.column() + QrCode.QUIET_ZONE,
                            run.row() + QrCode.QUIET_ZONE,
                            run.length(),
                            run.length()));
        }
        return String.format(
                Locale.ROOT, """
                <svg xmlns="http://www.w3.org/2000/svg"%s viewBox="0 0 %d %.3f" shape-rendering="crispEdges">\
                <path fill="#fff" d="M0 0h%dv%.3fH0z"/><path d="%s"/>%s</svg>""", measures, code.modulesAcross(), height, code.modulesAcross(), height, path, more);
    }

    /** The mark with a light rim of half a module. */
    private static String mark(QrCode code, byte[] png) {
        int side = code.correction().markModules(code.modules());
        double at = (code.modulesAcross() - side) / 2.0;
        return String.format(
                Locale.ROOT,
                "<path fill=\"#fff\" d=\"M%.1f %.1fh%dv%dh-%dz\"/>"
                        + "<image x=\"%.1f\" y=\"%.1f\" width=\"%d\" height=\"%d\" href=\"data:image/png;base64,%s\"/>",
                at,
                at,
                side,
                side,
                side,
                at + 0.5,
                at + 0.5,
                side - 1,
                side - 1,
                Base64.getEncoder().encodeToString(png));
    }
}

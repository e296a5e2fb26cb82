package wendo.app.place.codes;

import java.awt.geom.Point2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.text.Normalizer;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import wendo.core.media.CodeSvg;
import wendo.core.media.PrintedSize;
import wendo.core.media.QrCode;
import wendo.core.media.SheetLayout;

/** Sheets of codes as PDF: drawn, not painted, so that they are sharp at any size. Measures are in millimetres. */
final class CodePdf {
    /** Points of a PDF: 72 to an inch of 25.4 mm. */
    static final double POINTS = 72 / 25.4;

    static final double LINE = CodeSvg.LINE_MILLIMETRES;
    private static final double LETTERS = 2.8;
    private static final double SMALLEST_LETTERS = 1.6;
    private static final double TEXT_MARGIN = 1;

    private final PDDocument document = new PDDocument();
    private final SheetLayout layout;
    private final PDFont font;
    private final Optional<PDImageXObject> mark;

    private CodePdf(SheetLayout layout, Optional<BufferedImage> mark) throws IOException {
        this.layout = layout;
        try (InputStream in = Objects.requireNonNull(CodePdf.class.getResourceAsStream("/data/print-400.ttf"))) {
            this.font = PDType0Font.load(document, in, true);
        }
        this.mark = mark.isPresent()
                ? Optional.of(LosslessFactory.createFromImage(document, mark.get()))
                : Optional.empty();
    }

    /** Cells are filled along rows, sheet after sheet. */
    static byte[] write(List<DrawnCode> codes, SheetLayout layout, Optional<BufferedImage> mark) {
        try {
            CodePdf pdf = new CodePdf(layout, mark);
            try (PDDocument document = pdf.document) {
                for (int from = 0; from < codes.size(); from += layout.cells()) {
                    pdf.page(codes.subList(from, Math.min(codes.size(), from + layout.cells())));
                }
                ByteArrayOutputStream bytes = new ByteArrayOutputStream();
                document.save(bytes);
                return bytes.toByteArray();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** One code on paper of its own size. */
    static byte[] write(DrawnCode code, Optional<BufferedImage> mark) {
        return write(List.of(code), SheetLayout.card(needsWidth(code), needsHeight(code)), mark);
    }

    static double needsWidth(DrawnCode code) {
        return Math.max(20, code.size().acrossMillimetres());
    }

    static double needsHeight(DrawnCode code) {
        return Math.max(20, code.size().acrossMillimetres() + code.captions().size() * LINE);
    }

    private void page(List<DrawnCode> codes) throws IOException {
        PDPage page = new PDPage(new PDRectangle(points(layout.paperWidth()), points(layout.paperHeight())));
        document.addPage(page);
        try (PDPageContentStream content = new PDPageContentStream(document, page)) {
            for (int cell = 0; cell < codes.size(); cell++) {
                draw(content, codes.get(cell), cell);
            }
        }
    }

    private void draw(PDPageContentStream content, DrawnCode code, int cell) throws IOException {
        double across = code.size().acrossMillimetres();
        double height = across + code.captions().size() * LINE;
        double left = layout.left(cell) + (layout.cellWidth() - across) / 2;
        double top = layout.top(cell) + (layout.cellHeight() - height) / 2;
        modules(content, code.size(), left, top);
        double line = top + across;
        for (String caption : code.captions()) {
            text(content, caption, cell, line + LETTERS);
            line += LINE;
        }
    }

    private void modules(PDPageContentStream content, PrintedSize size, double left, double top) throws IOException {
        double module = size.moduleMillimetres();
        content.setNonStrokingColor(0f, 0f, 0f, 1f); // black ink alone: four inks never meet exactly
        for (QrCode.Run run : size.code().runs()) {
            content.addRect(
                    points(left + (run.column() + QrCode.QUIET_ZONE) * module),
                    fromBottom(top + (run.row() + 1 + QrCode.QUIET_ZONE) * module),
                    points(run.length() * module),
                    points(module));
        }
        content.fill();
        if (mark.isPresent()) {
            mark(content, size, new Point2D.Double(left, top), mark.get());
        }
    }

    private void mark(PDPageContentStream content, PrintedSize size, Point2D corner, PDImageXObject picture)
            throws IOException {
        double module = size.moduleMillimetres();
        double side = size.code().correction().markModules(size.code().modules()) * module;
        double in = (size.acrossMillimetres() - side) / 2;
        content.setNonStrokingColor(0f, 0f, 0f, 0f);
        double left = corner.getX() + in;
        double bottom = corner.getY() + in + side;
        content.addRect(points(left), fromBottom(bottom), points(side), points(side));
        content.fill();
        content.drawImage(
                picture,
                points(left + module / 2),
                fromBottom(bottom - module / 2),
                points(side - module),
                points(side - module));
    }

    /** Centred in its cell; letters shrink to fit, and what still does not fit is cut with an ellipsis. */
    private void text(PDPageContentStream content, String caption, int cell, double baseline) throws IOException {
        double room = layout.cellWidth() - 2 * TEXT_MARGIN;
        String text = known(caption);
        double width = width(text, LETTERS);
        double size = width <= room ? LETTERS : Math.max(SMALLEST_LETTERS, LETTERS * room / width);
        while (width(text, size) > room && text.length() > 2) {
            text = text.substring(0, text.length() - 2).stripTrailing() + "…";
        }
        content.beginText();
        content.setNonStrokingColor(0f, 0f, 0f, 1f);
        content.setFont(font, points(size));
        content.newLineAtOffset(
                points(layout.left(cell) + (layout.cellWidth() - width(text, size)) / 2), fromBottom(baseline));
        // One letter at a time: joined letters of a font could not be told apart, or copied, in an address.
        for (int point : text.codePoints().toArray()) {
            content.showText(Character.toString(point));
        }
        content.endText();
    }

    private double width(String text, double size) throws IOException {
        return font.getStringWidth(text) / 1000 * size;
    }

    /** Letters that the font lacks lose their accents, or become a full stop in the middle. */
    private String known(String text) {
        StringBuilder known = new StringBuilder();
        text.codePoints().forEach(point -> {
            String letter = Character.toString(point);
            String plain = Normalizer.normalize(letter, Normalizer.Form.NFKD).replaceAll("\\p{M}", "");
            known.append(has(letter) ? letter : has(plain) ? plain : "·");
        });
        return known.toString();
    }

    private boolean has(String text) {
        try {
            font.encode(text);
            return !text.isEmpty();
        } catch (IllegalArgumentException | IOException e) {
            return false;
        }
    }

    private static float points(double millimetres) {
        return (float) (millimetres * POINTS);
    }

    private float fromBottom(double fromTop) {
        return points(layout.paperHeight() - fromTop);
    }
}

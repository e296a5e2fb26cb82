package wendo.core.media;

import wendo.core.text.Refused;

/**
 * A sheet of equal cells, all measures in millimetres: paper, margins to the first cell, cells and the gaps between them.
 */
public record SheetLayout(
        double paperWidth,
        double paperHeight,
        int columns,
        int rows,
        double cellWidth,
        double cellHeight,
        double marginLeft,
        double marginTop,
        double gapAcross,
        double gapDown) {
    public static final double LONGEST_PAPER = 1500;
    private static final int MOST_CELLS = 400;

    public SheetLayout {
        within("media.sheet-paper-width", paperWidth, 20, LONGEST_PAPER);
        within("media.sheet-paper-height", paperHeight, 20, LONGEST_PAPER);
        within("media.sheet-columns", columns, 1, MOST_CELLS);
        within("media.sheet-rows", rows, 1, MOST_CELLS);
        within("media.sheet-label-width", cellWidth, 10, LONGEST_PAPER);
        within("media.sheet-label-height", cellHeight, 10, LONGEST_PAPER);
        within("media.sheet-left-margin", marginLeft, 0, LONGEST_PAPER);
        within("media.sheet-top-margin", marginTop, 0, LONGEST_PAPER);
        within("media.sheet-gap-across", gapAcross, 0, LONGEST_PAPER);
        within("media.sheet-gap-down", gapDown, 0, LONGEST_PAPER);
        within("media.sheet-labels", columns * (double) rows, 1, MOST_CELLS);
        fits("media.columns-too-wide", marginLeft + columns * cellWidth + (columns - 1) * gapAcross, paperWidth);
        fits("media.rows-too-high", marginTop + rows * cellHeight + (rows - 1) * gapDown, paperHeight);
    }

    private static void within(String what, double value, double least, double most) {
        if (!(value >= least && value <= most)) {
            throw new Refused(what, plain(least), plain(most), plain(value));
        }
    }

    private static void fits(String what, double needed, double paper) {
        if (needed > paper + 0.01) {
            throw new Refused(what, plain(needed), plain(paper));
        }
    }

    private static String plain(double number) {
        return java.math.BigDecimal.valueOf(number)
                .setScale(2, java.math.RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }

    /** One cell that is the whole paper, as on a card. */
    public static SheetLayout card(double width, double height) {
        return new SheetLayout(width, height, 1, 1, width, height, 0, 0, 0, 0);
    }

    /** Equal cells that fill the paper within a margin. */
    public static SheetLayout even(SheetLayout paper, int columns, int rows, double margin) {
        double width = paper.paperWidth();
        double height = paper.paperHeight();
        return new SheetLayout(
                width,
                height,
                columns,
                rows,
                (width - 2 * margin) / columns,
                (height - 2 * margin) / rows,
                margin,
                margin,
                0,
                0);
    }

    public int cells() {
        return columns * rows;
    }

    public int pages(int items) {
        return (items + cells() - 1) / cells();
    }

    /** The left edge of a cell; cells count along rows. */
    public double left(int cell) {
        return marginLeft + cell % columns * (cellWidth + gapAcross);
    }

    /** The top edge of a cell, from the top of the paper. */
    public double top(int cell) {
        return marginTop + (double) (cell / columns) * (cellHeight + gapDown);
    }
}

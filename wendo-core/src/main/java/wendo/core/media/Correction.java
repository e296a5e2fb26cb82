package wendo.core.media;

import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;

/**
 * How much of a code may be lost and it still reads: the error correction levels of ISO/IEC 18004, with the share of
 * codewords each can restore (section 7.5.1).
 */
public enum Correction {
    L(7, ErrorCorrectionLevel.L),
    M(15, ErrorCorrectionLevel.M),
    Q(25, ErrorCorrectionLevel.Q),
    H(30, ErrorCorrectionLevel.H);

    /** A mark may cover a third of what can be restored; the rest is for dirt, folds and glare. Ours. */
    private static final int MARK_PART = 3;

    private final int percent;
    private final ErrorCorrectionLevel level;

    Correction(int percent, ErrorCorrectionLevel level) {
        this.percent = percent;
        this.level = level;
    }

    public int percent() {
        return percent;
    }

    /** Only these leave room for a mark that can be made out. */
    public boolean allowsMark() {
        return this == Q || this == H;
    }

    /** The greatest odd number of modules that a square mark may have in a code of so many modules a side. */
    public int markModules(int modulesAcross) {
        int side = (int) Math.sqrt(modulesAcross * modulesAcross * percent / 100.0 / MARK_PART);
        return side % 2 == 1 ? side : side - 1;
    }

    ErrorCorrectionLevel level() {
        return level;
    }
}

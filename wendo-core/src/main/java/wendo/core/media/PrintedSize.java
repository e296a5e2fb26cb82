package wendo.core.media;

import wendo.core.text.Refused;

/**
 * A code in print.
 *
 * @param millimetres its side without the quiet zone
 */
public record PrintedSize(QrCode code, double millimetres) {
    /** Below this, printers' dots and phones' lenses blur neighbouring modules. Common practice. */
    public static final double SMALLEST_MODULE_MILLIMETRES = 0.4;

    /** A code is read from up to ten times its side. Common practice. */
    public static final int DISTANCE_PER_SIDE = 10;

    public static final double SMALLEST = 8;
    public static final double LARGEST = 1000;

    public PrintedSize {
        if (!(millimetres >= SMALLEST && millimetres <= LARGEST)) {
            throw new Refused("media.side", Math.round(SMALLEST), Math.round(LARGEST), millimetres);
        }
    }

    /** The side that a code needs to be read from a distance, and for its modules to be large enough. */
    public static PrintedSize forDistance(QrCode code, double distanceMillimetres) {
        double byDistance = distanceMillimetres / DISTANCE_PER_SIDE;
        return new PrintedSize(code, Math.min(LARGEST, Math.max(byDistance, smallestSide(code))));
    }

    /** The smallest side whose modules can be printed. */
    public static double smallestSide(QrCode code) {
        return Math.max(SMALLEST, code.modules() * SMALLEST_MODULE_MILLIMETRES);
    }

    public double moduleMillimetres() {
        return millimetres / code.modules();
    }

    public double quietZoneMillimetres() {
        return moduleMillimetres() * QrCode.QUIET_ZONE;
    }

    /** The side that has to stay free for it: with the quiet zone. */
    public double acrossMillimetres() {
        return moduleMillimetres() * code.modulesAcross();
    }

    public double distanceMillimetres() {
        return millimetres * DISTANCE_PER_SIDE;
    }

    /** Whether its modules are large enough to be printed and read. */
    public boolean isLargeEnough() {
        return moduleMillimetres() >= SMALLEST_MODULE_MILLIMETRES - 1e-9; // sides are typed in tenths
    }
}

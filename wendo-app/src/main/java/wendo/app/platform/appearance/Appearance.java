package wendo.app.platform.appearance;

import java.util.Optional;

/**
 * How a business appears to everybody.
 *
 * @param address in lines, or empty text
 * @param imprint the address of a page that says who is responsible, or empty text
 * @param privacy the address of the business's privacy notice, or empty text
 * @param isSigned whether pages say by what they are made
 */
record Appearance(Optional<Colour> colour, String address, String imprint, String privacy, boolean isSigned) {
    static final Appearance USUAL = new Appearance(Optional.empty(), "", "", "", true);
}

package wendo.app.platform.site;

/**
 * How a business appears on a page that everybody can open.
 *
 * @param siteKey what its logo and its colour are asked for by
 * @param edition changes with its appearance, so that nobody's browser shows an old one
 * @param address in lines, or empty text
 * @param imprint an address, or empty text
 * @param privacy an address, or empty text
 * @param isSigned whether the page says by what it is made
 * @param brandLogo where the logo of the brand is that the page speaks for; empty text for the business's own
 */
public record PublicFace(
        String business,
        String siteKey,
        boolean hasLogo,
        boolean hasColour,
        int edition,
        String address,
        String imprint,
        String privacy,
        boolean isSigned,
        String brandLogo) {
    /** Its name and its address, in lines. */
    public String letterAddress() {
        return address.isEmpty() ? business : business + "\n" + address;
    }

    /** Where its logo is; empty text if there is none. */
    public String logo() {
        if (!brandLogo.isEmpty()) {
            return brandLogo;
        }
        return hasLogo ? "/t/mark/" + siteKey + ".png" : "";
    }

    /** Where its colour is; empty text if it has none of its own. */
    public String style() {
        return hasColour ? "/t/look/" + siteKey + ".css?" + edition : "";
    }
}

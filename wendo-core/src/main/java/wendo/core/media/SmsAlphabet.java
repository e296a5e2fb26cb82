package wendo.core.media;

/** The 7-bit default alphabet of text messages and its extension: 3GPP TS 23.038, section 6.2.1. */
final class SmsAlphabet {
    private static final String BASIC = "@£$¥èéùìòÇ\nØø\rÅåΔ_ΦΓΛΩΠΨΣΘΞÆæßÉ !\"#¤%&'()*+,-./0123456789:;<=>?"
            + "¡ABCDEFGHIJKLMNOPQRSTUVWXYZÄÖÑÜ§¿abcdefghijklmnopqrstuvwxyzäöñüà";

    /** Each of these takes an escape before it. */
    private static final String EXTENSION = "\f^{}\\[~]|€";

    private SmsAlphabet() {}

    /** How many 7-bit units a character takes: 1 or 2; 0 if the alphabet does not have it. */
    static int units(int codePoint) {
        if (BASIC.indexOf(codePoint) >= 0) {
            return 1;
        }
        return EXTENSION.indexOf(codePoint) >= 0 ? 2 : 0;
    }

    static boolean has(String text) {
        return text.codePoints().allMatch(codePoint -> units(codePoint) > 0);
    }
}

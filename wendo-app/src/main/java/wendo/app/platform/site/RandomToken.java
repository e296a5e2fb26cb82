package wendo.app.platform.site;

import java.security.SecureRandom;
import java.util.Base64;

/** The part of an address that nobody guesses: random bits in the URL alphabet of Base64 (RFC 4648, section 5). */
public final class RandomToken {
    private static final int BYTES = 16;
    private static final SecureRandom RANDOM = new SecureRandom();

    private RandomToken() {}

    /** 128 bits. */
    public static String next() {
        byte[] bytes = new byte[BYTES];
        RANDOM.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }
}

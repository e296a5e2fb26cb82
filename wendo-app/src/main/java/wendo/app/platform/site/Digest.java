package wendo.app.platform.site;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256 of text, in lower-case hexadecimal digits. */
public final class Digest {
    private static final int HALF = 16;

    private Digest() {}

    /** The first half: a key of fixed size for what callers name, however long that is. */
    public static String half(String text) {
        return HexFormat.of().formatHex(bytes(text), 0, HALF);
    }

    public static String of(String text) {
        return HexFormat.of().formatHex(bytes(text));
    }

    private static byte[] bytes(String text) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}

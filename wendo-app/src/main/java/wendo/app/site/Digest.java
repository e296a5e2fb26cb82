package wendo.app.site;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** A key of fixed size for what callers name, however long that is: the first half of its SHA-256. */
public final class Digest {
    private static final int BYTES = 16;

    private Digest() {}

    public static String of(String text) {
        try {
            byte[] whole = MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(whole, 0, BYTES);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}

package wendo.core.links;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;

/** Percent-decoding (RFC 3986, section 2.1): bytes in UTF-8; what is no escape stays as it stands. */
final class Percent {
    private Percent() {}

    static String decode(String text) {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        ByteArrayOutputStream out = new ByteArrayOutputStream(bytes.length);
        for (int i = 0; i < bytes.length; i++) {
            int high = bytes[i] == '%' && i + 2 < bytes.length ? Character.digit(bytes[i + 1], 16) : -1;
            int low = high >= 0 ? Character.digit(bytes[i + 2], 16) : -1;
            out.write(low >= 0 ? high * 16 + low : bytes[i]);
            i += low >= 0 ? 2 : 0;
        }
        return out.toString(StandardCharsets.UTF_8);
    }
}

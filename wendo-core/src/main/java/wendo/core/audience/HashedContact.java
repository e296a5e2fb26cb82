package wendo.core.audience;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import wendo.core.media.EmailAddress;
import wendo.core.media.PhoneNumber;

/**
 * A contact as ad desks take it: SHA-256 (FIPS 180-4) in lower-case hexadecimal of its UTF-8 bytes. An e-mail address is
 * trimmed and in lower case before, a phone number in its international form (ITU-T E.164) with the plus.
 */
public record HashedContact(String hex) {
    private static final String FORM = "[0-9a-f]{64}";

    public HashedContact {
        if (!isHash(hex)) {
            throw new IllegalArgumentException(
                    "A hashed contact is 64 digits of 0-9 and a-f, but came \"" + hex + "\"");
        }
    }

    public static HashedContact of(EmailAddress email) {
        return ofNormalised(email.value());
    }

    public static HashedContact of(PhoneNumber phone) {
        return ofNormalised(phone.value());
    }

    public static boolean isHash(String text) {
        return text.matches(FORM);
    }

    /** Of an address or a number that has been brought into its form already. */
    public static HashedContact ofNormalised(String normalised) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(normalised.getBytes(StandardCharsets.UTF_8));
            return new HashedContact(HexFormat.of().formatHex(digest));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}

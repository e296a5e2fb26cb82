package wendo.core.media;

import java.security.GeneralSecurityException;
import java.security.KeyFactory;
import java.security.interfaces.RSAPublicKey;
import java.security.spec.X509EncodedKeySpec;
import java.util.Arrays;
import java.util.Base64;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * The public key that a domain's mail is signed with: RFC 6376, section 3.6.1, and RFC 8463.
 *
 * @param bits how long an RSA key is; 0 for a key that was withdrawn
 */
public record DkimKey(Kind kind, int bits) {
    /** Shorter RSA keys are not to be trusted: RFC 8301, section 3.2. */
    public static final int LEAST_BITS = 1024;

    /** RSA keys should have as many: RFC 8301, section 3.2. */
    public static final int GOOD_BITS = 2048;

    private static final int ED25519_BYTES = 32;

    /** What it is a key of. */
    public enum Kind {
        RSA,
        ED25519,
        WITHDRAWN
    }

    /** Empty if the text holds no key. */
    public static Optional<DkimKey> of(String text) {
        Map<String, String> tags = Arrays.stream(text.split(";", -1))
                .map(part -> part.split("=", 2))
                .filter(part -> part.length == 2)
                .collect(Collectors.toMap(
                        part -> part[0].strip(), part -> part[1].replaceAll("\\s+", ""), (first, second) -> first));
        if (!tags.getOrDefault("v", "DKIM1").equals("DKIM1") || !tags.containsKey("p")) {
            return Optional.empty();
        }
        String key = tags.getOrDefault("p", "");
        if (key.isEmpty()) {
            return Optional.of(new DkimKey(Kind.WITHDRAWN, 0));
        }
        try {
            byte[] bytes = Base64.getDecoder().decode(key);
            return tags.getOrDefault("k", "rsa").toLowerCase(Locale.ROOT).equals("ed25519")
                    ? Optional.of(new DkimKey(Kind.ED25519, bytes.length * 8))
                            .filter(one -> bytes.length == ED25519_BYTES)
                    : Optional.of(new DkimKey(Kind.RSA, rsa(bytes)));
        } catch (IllegalArgumentException | GeneralSecurityException e) {
            return Optional.empty();
        }
    }

    private static int rsa(byte[] key) throws GeneralSecurityException {
        RSAPublicKey read = (RSAPublicKey) KeyFactory.getInstance("RSA").generatePublic(new X509EncodedKeySpec(key));
        return read.getModulus().bitLength();
    }

    public boolean isTooWeak() {
        return kind == Kind.RSA && bits < LEAST_BITS;
    }

    public boolean isShort() {
        return kind == Kind.RSA && bits < GOOD_BITS;
    }
}

package wendo.app.platform.accounts;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.util.OptionalLong;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;

/** Codes that an authenticator shows: RFC 6238 with HMAC-SHA-1, 30 seconds and six digits, which all of them know. */
final class OneTimeCodes {
    private static final Duration STEP = Duration.ofSeconds(30);
    private static final int DIGITS = 6;
    private static final int SECRET_BYTES = 20; // RFC 4226, section 4: 160 bits are recommended
    private static final SecureRandom RANDOM = new SecureRandom();

    private OneTimeCodes() {}

    /** A new secret in Base32 (RFC 4648), as authenticators take it. */
    static String secret() {
        byte[] bytes = new byte[SECRET_BYTES];
        RANDOM.nextBytes(bytes);
        return new Base32().encodeToString(bytes);
    }

    /**
     * The step of time that a code belongs to: this one, the one before or the one after, as RFC 6238 section 5.2 allows
     * for clocks that differ. Empty if it is none of them, or none later than {@code lastStep}: a code is taken once.
     */
    static OptionalLong step(String secret, String typed, Instant now, long lastStep) {
        String code = typed.replaceAll("\\s", "");
        long current = now.getEpochSecond() / STEP.toSeconds();
        for (long step = current - 1; step <= current + 1; step++) {
            if (step > lastStep && at(secret, step).equals(code)) {
                return OptionalLong.of(step);
            }
        }
        return OptionalLong.empty();
    }

    static String at(String secret, long step) {
        try {
            TimeBasedOneTimePasswordGenerator generator = new TimeBasedOneTimePasswordGenerator(STEP, DIGITS);
            return generator.generateOneTimePasswordString(
                    new SecretKeySpec(new Base32().decode(secret), "RAW"),
                    Instant.ofEpochSecond(step * STEP.toSeconds()));
        } catch (InvalidKeyException e) {
            throw new IllegalStateException(e);
        }
    }

    /** What a QR code for an authenticator says: the key URI format, common practice. */
    static String uri(String secret, String account) {
        return "otpauth://totp/Wendo:%s?secret=%s&issuer=Wendo"
                .formatted(URLEncoder.encode(account, StandardCharsets.UTF_8).replace("+", "%20"), secret);
    }
}

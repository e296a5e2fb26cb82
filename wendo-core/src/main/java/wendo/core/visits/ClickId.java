package wendo.core.visits;

import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.random.RandomGenerator;

/**
 * The click identifier of one visit: a version 7 UUID (RFC 9562), so it carries the millisecond of its visit, written
 * as 26 characters of Crockford's base 32 in lower case. Reading ignores case: some systems shout what they pass on.
 */
public record ClickId(UUID uuid) {
    /** The query parameter it travels in. */
    public static final String PARAMETER = "wcl";

    private static final String ALPHABET = "0123456789abcdefghjkmnpqrstvwxyz";
    /** How many characters it is written with. */
    public static final int LENGTH = 26;

    public ClickId {
        if (uuid.version() != 7) {
            throw new IllegalArgumentException("A click identifier is a version 7 UUID, but was " + uuid);
        }
    }

    /** A fresh one for a visit at this instant. {@code random} has to be unguessable where the world can see the result. */
    public static ClickId of(Instant arrivedAt, RandomGenerator random) {
        long high = (arrivedAt.toEpochMilli() << 16) | 0x7000L | (random.nextLong() & 0x0fffL);
        long low = 0x8000000000000000L | (random.nextLong() & 0x3fffffffffffffffL);
        return new ClickId(new UUID(high, low));
    }

    /** Reads what came back from outside; empty if it is not one of ours. */
    public static Optional<ClickId> find(String text) {
        String lower = text.strip().toLowerCase(Locale.ROOT);
        if (lower.length() != LENGTH || ALPHABET.indexOf(lower.charAt(0)) > 7) {
            return Optional.empty();
        }
        long high = 0;
        long low = 0;
        for (int i = 0; i < LENGTH; i++) {
            int digit = ALPHABET.indexOf(lower.charAt(i));
            if (digit < 0) {
                return Optional.empty();
            }
            high = (high << 5) | (low >>> 59);
            low = (low << 5) | digit;
        }
        UUID uuid = new UUID(high, low);
        return uuid.version() == 7 ? Optional.of(new ClickId(uuid)) : Optional.empty();
    }

    /** The instant of its visit, to the millisecond. */
    public Instant arrivedAt() {
        return Instant.ofEpochMilli(uuid.getMostSignificantBits() >>> 16);
    }

    @Override
    public String toString() {
        char[] text = new char[LENGTH];
        long high = uuid.getMostSignificantBits();
        long low = uuid.getLeastSignificantBits();
        for (int i = LENGTH - 1; i >= 0; i--) {
            text[i] = ALPHABET.charAt((int) (low & 31));
            low = (low >>> 5) | (high << 59);
            high >>>= 5;
        }
        return new String(text);
    }
}

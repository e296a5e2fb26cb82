package wendo.app.linkhost.redirect;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wendo.core.visits.ClickId;

/**
 * Tells visitors apart: by a first-party cookie on the link host where the business allows it and the browser does not
 * object (Global Privacy Control, {@code Sec-GPC: 1}); else by a hash of network address, browser and host with a salt
 * that changes every day, so that a person is the same one within a day and somebody new the next. The address itself
 * is kept nowhere.
 */
@Component
class Visitors {
    private static final String COOKIE = "wendo_visitor";
    private static final int UUID_LENGTH = 36;

    private final DailySalt salt;
    private final Unguessable random;

    Visitors(DailySalt salt, Unguessable random) {
        this.salt = salt;
        this.random = random;
    }

    /** @param cookie the Set-Cookie header that keeps it; empty text where none is kept */
    record Seen(UUID visitor, String cookie) {}

    Seen see(LinkRequest asking, boolean keepsCookie, Instant at) {
        if (!keepsCookie || asking.header("Sec-GPC").equals("1")) {
            return new Seen(hashed(asking, at), "");
        }
        UUID visitor = Cookies.find(asking, COOKIE)
                .flatMap(Visitors::uuid)
                .orElseGet(() -> ClickId.of(at, random).uuid()); // with its moment: nobody came before it
        return new Seen(visitor, Cookies.kept(COOKIE, visitor.toString(), asking.isSecure()));
    }

    private static Optional<UUID> uuid(String value) {
        try {
            return value.length() == UUID_LENGTH ? Optional.of(UUID.fromString(value)) : Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** Version 8 of RFC 9562: a UUID whose bits the maker chooses. */
    private UUID hashed(LinkRequest asking, Instant at) {
        MessageDigest digest = sha256();
        digest.update(salt.of(at));
        for (String part : new String[] {asking.address(), asking.header("User-Agent"), asking.host()}) {
            digest.update(part.getBytes(StandardCharsets.UTF_8));
            digest.update((byte) 0);
        }
        ByteBuffer bytes = ByteBuffer.wrap(digest.digest());
        return new UUID(
                (bytes.getLong() & 0xffffffffffff0fffL) | 0x8000L,
                (bytes.getLong() & 0x3fffffffffffffffL) | 0x8000000000000000L);
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}

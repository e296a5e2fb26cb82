package wendo.app.linkhost.redirect;

import java.nio.ByteBuffer;
import java.security.SecureRandom;
import java.util.random.RandomGenerator;
import org.springframework.stereotype.Component;

/** Random numbers that nobody can guess, drawn in portions for each thread: asking the system for each costs more. */
@Component
class Unguessable implements RandomGenerator {
    private static final int PORTION = 4096;

    private final SecureRandom source = new SecureRandom();
    private final ThreadLocal<ByteBuffer> drawn =
            ThreadLocal.withInitial(() -> ByteBuffer.allocate(PORTION).limit(0));

    @Override
    public long nextLong() {
        ByteBuffer left = drawn.get();
        if (left.remaining() < Long.BYTES) {
            source.nextBytes(left.clear().array());
        }
        return left.getLong();
    }
}

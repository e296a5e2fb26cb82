package wendo.app.platform.site;

import jakarta.servlet.http.HttpServletRequest;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.SocketTimeoutException;
import java.time.Duration;

/** Reads a body as a whole, up to a limit of bytes and a deadline, whatever the sender says of its length. */
public final class BodyReader {
    private static final Duration DEADLINE = Duration.ofSeconds(10);
    private static final int PORTION = 8192;

    private BodyReader() {}

    /** A body that is not taken, with the status of HTTP that says so. */
    public static final class Refused extends IOException {
        private static final long serialVersionUID = 1L;
        private final int status;

        public Refused(int status, String message) {
            super(message);
            this.status = status;
        }

        public int status() {
            return status;
        }
    }

    public static byte[] read(HttpServletRequest request, int limit) throws IOException {
        if (request.getContentLengthLong() > limit) {
            throw tooLarge(limit);
        }
        long end = System.nanoTime() + DEADLINE.toNanos();
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        byte[] portion = new byte[PORTION];
        InputStream in = request.getInputStream();
        try {
            for (int read = in.read(portion); read >= 0; read = in.read(portion)) {
                body.write(portion, 0, read);
                if (body.size() > limit) {
                    throw tooLarge(limit);
                }
                if (System.nanoTime() > end) {
                    throw new Refused(408, "It took too long to send.");
                }
            }
        } catch (SocketTimeoutException e) {
            throw new Refused(408, "It took too long to send.");
        }
        return body.toByteArray();
    }

    private static Refused tooLarge(int limit) {
        return new Refused(413, "A body here has at most %d bytes.".formatted(limit));
    }
}

package wendo.app.platform.tables;

import java.io.IOException;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.multipart.MultipartFile;

/** A table that somebody brings: a file, or what they pasted. */
public record TableForm(
        @Nullable MultipartFile file, @Nullable String pasted) {
    /** Throws {@link TableRefused} with a reason, also where there is neither a file nor a text. */
    public Brought read() throws IOException {
        return Brought.of(Optional.ofNullable(file), text());
    }

    /** What was pasted; empty text if nothing was. */
    public String text() {
        return pasted == null ? "" : pasted;
    }
}

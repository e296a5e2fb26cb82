package wendo.app.platform.tables;

import java.io.IOException;
import java.util.Optional;
import org.springframework.web.multipart.MultipartFile;
import wendo.app.platform.site.Texts;

/**
 * A table as somebody brought it: a file, or what they pasted.
 *
 * @param name the file's own, or what it is called instead
 * @param written how it was written, in words
 */
public record Brought(String name, String written, Table table) {
    private static final int MAX_NAME = 200;

    /** Throws {@link TableRefused} with a reason, also where there is neither a file nor a text. */
    public static Brought of(Optional<MultipartFile> file, String pasted) throws IOException {
        if (file.isPresent() && !file.get().isEmpty()) {
            byte[] bytes = file.get().getBytes();
            return new Brought(nameOf(file.get()), TableReader.written(bytes), TableReader.read(bytes));
        }
        if (pasted.isBlank()) {
            throw new TableRefused(Texts.of("platform.tables.choose-a-file-or-paste"));
        }
        return new Brought(
                Texts.of("platform.tables.pasted-table"),
                Texts.of("platform.tables.pasted-text"),
                TableReader.readText(pasted));
    }

    /** Without the folders that some browsers put before it. */
    private static String nameOf(MultipartFile file) {
        String name = Optional.ofNullable(file.getOriginalFilename()).orElse("");
        String plain = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1)
                .strip();
        return plain.isEmpty() ? "A file" : plain.length() <= MAX_NAME ? plain : plain.substring(0, MAX_NAME);
    }
}

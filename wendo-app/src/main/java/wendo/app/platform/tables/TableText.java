package wendo.app.platform.tables;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import wendo.app.platform.site.Texts;

/** Finds out how a text file is written. */
final class TableText {
    private static final Charset WINDOWS = Charset.forName("windows-1252");
    private static final List<Character> SEPARATORS = List.of('\t', ';', ',', '|');
    private static final int SAMPLE_LINES = 20;
    private static final int SAMPLE_PAIRS = 500;

    private TableText() {}

    /** By its byte order mark; else UTF-8 if it is that; else what spreadsheets write on Windows. */
    static String decode(byte[] file) {
        if (startsWith(file, 0xFF, 0xFE)) {
            return new String(file, 2, file.length - 2, StandardCharsets.UTF_16LE);
        }
        if (startsWith(file, 0xFE, 0xFF)) {
            return new String(file, 2, file.length - 2, StandardCharsets.UTF_16BE);
        }
        Optional<Charset> wide = withoutMark(file);
        if (wide.isPresent()) {
            return new String(file, wide.get());
        }
        int skip = startsWith(file, 0xEF, 0xBB, 0xBF) ? 3 : 0;
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(file, skip, file.length - skip))
                    .toString();
        } catch (CharacterCodingException e) {
            return new String(file, WINDOWS);
        }
    }

    /** UTF-16 without its mark: at least nine in ten of its first characters have a zero byte on the same side. */
    private static Optional<Charset> withoutMark(byte[] file) {
        int pairs = Math.min(file.length / 2, SAMPLE_PAIRS);
        int first = 0;
        int second = 0;
        for (int i = 0; i < pairs; i++) {
            first += file[2 * i] == 0 ? 1 : 0;
            second += file[2 * i + 1] == 0 ? 1 : 0;
        }
        if (pairs == 0
                || file.length % 2 != 0
                || Math.max(first, second) * 10 < pairs * 9
                || Math.min(first, second) > 0) {
            return Optional.empty();
        }
        return Optional.of(first > second ? StandardCharsets.UTF_16BE : StandardCharsets.UTF_16LE);
    }

    /** Its encoding and separator, in words. */
    static String words(byte[] file) {
        String text = decode(file);
        String encoding = startsWith(file, 0xFF, 0xFE)
                        || startsWith(file, 0xFE, 0xFF)
                        || withoutMark(file).isPresent()
                ? "UTF-16"
                : text.equals(new String(file, WINDOWS)) && !text.equals(new String(file, StandardCharsets.UTF_8))
                        ? "Windows-1252"
                        : "UTF-8";
        String separator = switch (separator(text)) {
            case '\t' -> "tab";
            case ';' -> "semicolon";
            case '|' -> "bar";
            default -> "comma";
        };
        return Texts.of("platform.tables.written-in-with-between-the", encoding, separator);
    }

    private static boolean startsWith(byte[] file, int... start) {
        if (file.length < start.length) {
            return false;
        }
        for (int i = 0; i < start.length; i++) {
            if ((file[i] & 0xFF) != start[i]) {
                return false;
            }
        }
        return true;
    }

    /** The one that cuts the first lines into the same number of parts, more than one; the comma if none does. */
    static char separator(String text) {
        List<String> lines =
                text.lines().filter(line -> !line.isBlank()).limit(SAMPLE_LINES).toList();
        char best = ',';
        long bestScore = 0;
        for (char separator : SEPARATORS) {
            long wanted = lines.isEmpty() ? 0 : count(lines.get(0), separator);
            long same = lines.stream()
                    .filter(line -> count(line, separator) == wanted)
                    .count();
            if (wanted > 0 && same * 100 + wanted > bestScore) {
                best = separator;
                bestScore = same * 100 + wanted;
            }
        }
        return best;
    }

    /** Separators outside of quotation marks. */
    private static long count(String line, char separator) {
        long count = 0;
        boolean quoted = false;
        for (char c : line.toCharArray()) {
            if (c == '"') {
                quoted = !quoted;
            } else if (c == separator && !quoted) {
                count++;
            }
        }
        return count;
    }
}

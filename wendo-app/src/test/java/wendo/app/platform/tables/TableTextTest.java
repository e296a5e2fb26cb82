package wendo.app.platform.tables;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.context.i18n.LocaleContextHolder;

/** Byte order marks are those of the Unicode Standard, section 23.8. */
class TableTextTest {
    private static final String TABLE = "Größe;Preis\n1;2,50\n";

    @AfterEach
    void nobody_reads() {
        LocaleContextHolder.resetLocaleContext();
    }

    private static byte[] marked(int[] mark, Charset charset) {
        byte[] text = TABLE.getBytes(charset);
        byte[] file = new byte[mark.length + text.length];
        for (int i = 0; i < mark.length; i++) {
            file[i] = (byte) mark[i];
        }
        System.arraycopy(text, 0, file, mark.length, text.length);
        return file;
    }

    @Test
    void however_it_is_written_it_reads_the_same() {
        assertThat(TableText.decode(marked(new int[] {0xEF, 0xBB, 0xBF}, StandardCharsets.UTF_8)))
                .isEqualTo(TABLE);
        assertThat(TableText.decode(marked(new int[] {0xFF, 0xFE}, StandardCharsets.UTF_16LE)))
                .isEqualTo(TABLE);
        assertThat(TableText.decode(marked(new int[] {0xFE, 0xFF}, StandardCharsets.UTF_16BE)))
                .isEqualTo(TABLE);
        assertThat(TableText.decode(TABLE.getBytes(StandardCharsets.UTF_8))).isEqualTo(TABLE);
        assertThat(TableText.decode(TABLE.getBytes(Charset.forName("windows-1252"))))
                .isEqualTo(TABLE);
        assertThat(TableText.decode(TABLE.getBytes(StandardCharsets.UTF_16LE)))
                .as("without its mark")
                .isEqualTo(TABLE);
        assertThat(TableText.decode(TABLE.getBytes(StandardCharsets.UTF_16BE))).isEqualTo(TABLE);
        assertThat(TableText.decode(new byte[0])).isEmpty();
        assertThat(TableText.decode(new byte[] {(byte) 0xFF})).isEqualTo("ÿ");
    }

    @Test
    void how_it_is_written_is_said_in_the_reader_s_language() {
        assertThat(TableText.words(TABLE.getBytes(StandardCharsets.UTF_8)))
                .isEqualTo("written in UTF-8 with semicolons between the cells");
        assertThat(TableText.words(TABLE.getBytes(Charset.forName("windows-1252"))))
                .isEqualTo("written in Windows-1252 with semicolons between the cells");
        assertThat(TableText.words("a\tb".getBytes(StandardCharsets.UTF_16LE)))
                .isEqualTo("written in UTF-16 with tabs between the cells");
        LocaleContextHolder.setLocale(Locale.GERMAN);
        assertThat(TableText.words("a,b".getBytes(StandardCharsets.US_ASCII))).contains("Kommas");
        assertThat(TableText.words("a|b".getBytes(StandardCharsets.US_ASCII))).contains("Strichen");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '#',
            value = {"a,b;c,d # ,", "a;b # ;", "one cell # ,", "'\"a;b;c\",d' # ,", "a|b|c # |"})
    void the_separator_cuts_the_lines_into_as_many_parts(String line, char separator) {
        assertThat(TableText.separator(line + "\n" + line)).isEqualTo(separator);
    }

    @Test
    void amounts_with_a_comma_do_not_hide_the_semicolons() {
        assertThat(TableText.separator("Day;Amount\n3 May;1,50\n4 May;2\n")).isEqualTo(';');
    }
}

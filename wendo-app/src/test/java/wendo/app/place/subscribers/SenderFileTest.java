package wendo.app.place.subscribers;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Files of subscribers as sending systems take them. Dates: ISO 8601, and the forms that its readers write instead. */
class SenderFileTest {
    private static final SubscriberQueries.Row ADA = new SubscriberQueries.Row(
            "ada@reed.example",
            Instant.parse("2026-07-01T22:30:15.250Z"),
            "Letter · Spring",
            "Letter",
            "Spring",
            "Tides, monthly",
            Optional.of(Instant.parse("2026-07-01T22:31:00Z")),
            "https://go.example/t/lists/1",
            Optional.empty(),
            Optional.empty(),
            new UUID(1, 1),
            List.of("Kit", "Spring"),
            "Tides");

    @ParameterizedTest
    @CsvSource({
        "iso,2026-07-01T23:30:15+01:00",
        "spaced,2026-07-01 23:30:15",
        "day,2026-07-01",
        "day-first,01/07/2026",
        "month-first,07/01/2026",
        "nonsense,2026-07-01T23:30:15+01:00"
    })
    void moments_are_written_as_it_reads_them_in_the_businesss_time(String style, String written) {
        SenderFile file = new SenderFile(
                List.of(new SenderFile.Column("When", SubscriberField.JOINED_AT)), SenderFile.DateStyle.of(style), ",");
        assertThat(file.row(ADA, ZoneId.of("Europe/London"))).containsExactly(written);
    }

    @ParameterizedTest
    @CsvSource({
        "Email Address,EMAIL",
        "e-mail,EMAIL",
        "E_MAIL,EMAIL",
        "Tags,LABELS",
        "Opt-in time,JOINED_AT",
        "Sign-up source,SOURCE",
        "Confirmed at,AGREED_AT",
        "First Name,NOTHING",
        "'',NOTHING"
    })
    void a_heading_means_what_it_usually_does(String heading, SubscriberField field) {
        assertThat(SubscriberField.guess(heading)).isEqualTo(field);
    }

    @Test
    void the_first_line_is_read_whatever_parts_its_headings() {
        for (String line :
                List.of("Email,Tags,Notes", "Email;Tags;Notes", "Email\tTags\tNotes", "\"Email\", \"Tags\", Notes")) {
            assertThat(new SenderFile(SenderFile.columns(line), SenderFile.DateStyle.ISO, ",").headings())
                    .as(line)
                    .containsExactly("Email", "Tags", "Notes");
        }
        assertThat(SenderFile.columns("E-mail," + "x".repeat(500)).get(1).heading())
                .hasSize(80);
        assertThat(SenderFile.columns("  ")).isEmpty();
        assertThat(SenderFile.columns("a,".repeat(100))).hasSize(SenderFile.MOST_COLUMNS);
    }

    @Test
    void each_column_holds_what_was_chosen_for_it() {
        List<SenderFile.Column> columns = java.util.Arrays.stream(SubscriberField.values())
                .map(field -> new SenderFile.Column(field.name(), field))
                .toList();
        assertThat(new SenderFile(columns, SenderFile.DateStyle.DAY, "|").row(ADA, ZoneId.of("UTC")))
                .containsExactly(
                        "ada@reed.example",
                        "2026-07-01",
                        "Kit|Spring",
                        "Tides",
                        "Letter",
                        "Spring",
                        "Letter · Spring",
                        "Tides, monthly",
                        "2026-07-01",
                        "https://go.example/t/lists/1",
                        "");
    }
}

package wendo.app.outcome.imports;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class ImportColumnTest {

    private static Map<String, Integer> guessed(String... headings) {
        return Arrays.stream(ImportColumn.values())
                .filter(column -> column.guess(List.of(headings)) >= 0)
                .collect(Collectors.toMap(ImportColumn::key, column -> column.guess(List.of(headings))));
    }

    @Test
    void headings_are_known_however_they_are_spelled() {
        assertThat(guessed("  ORDER ID ", "Sale amount", "Publisher Commission", "Sub ID", "Booked on", "State", "?"))
                .isEqualTo(Map.of("reference", 0, "value", 1, "commission", 2, "click", 3, "day", 4, "status", 5));
        assertThat(guessed("Nom", "")).isEmpty();
    }

    @Test
    void of_two_that_are_known_the_better_one_counts_wherever_it_stands() {
        assertThat(ImportColumn.REFERENCE.guess(List.of("ID", "Booking", "Reference")))
                .isEqualTo(2);
        assertThat(ImportColumn.VALUE.guess(List.of("Gross", "Net"))).isOne();
        assertThat(ImportColumn.VALUE.guess(List.of())).isEqualTo(-1);
    }

    @Test
    void no_heading_means_two_things() {
        List<String> all = Arrays.stream(ImportColumn.values())
                .flatMap(column -> guessed(column.key()).keySet().stream())
                .toList();
        assertThat(all).doesNotHaveDuplicates();
    }

    @Test
    void every_column_has_a_name_that_people_read() {
        assertThat(Arrays.stream(ImportColumn.values()).map(ImportColumn::label))
                .doesNotHaveDuplicates()
                .allMatch(label -> !label.isBlank());
    }
}

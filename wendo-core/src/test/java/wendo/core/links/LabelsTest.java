package wendo.core.links;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LabelsTest {
    private final Labels labels = new Labels(List.of("Season 2026/Spring", "Harbour", "Café"));

    @ParameterizedTest
    @CsvSource({
        "harbour, Harbour",
        " HARBOUR , Harbour",
        "cafe, Café",
        "season 2026, Season 2026",
        "season-2026 / spring, Season 2026/Spring",
        "season 2026/autumn, Season 2026/autumn",
        "Season 2026/Spring/Post, Season 2026/Spring/Post",
        "//Season 2026//Spring/, Season 2026/Spring",
        "New one, New one",
        "Season 2026 Spring, Season 2026 Spring"
    })
    void one_label_has_one_spelling_at_each_level(String typed, String spelled) {
        assertThat(labels.spelled(typed)).isEqualTo(spelled);
    }

    @Test
    void of_slashes_and_signs_alone_nothing_is_left() {
        assertThat(Labels.isPossible("/ / !")).isFalse();
        assertThat(Labels.isPossible("/a")).isTrue();
    }

    @Test
    void what_is_spelled_once_stays_so_when_it_is_spelled_again() {
        for (String label : List.of("season 2026/spring/Post", "HARBOUR/East", "x/y/z")) {
            assertThat(labels.spelled(labels.spelled(label))).isEqualTo(labels.spelled(label));
        }
    }
}

package wendo.app.place.placements;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.TealTours;
import wendo.core.measure.UnitPrice;

class PlacementFormTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 5, 20);

    private static PlacementForm.Checked check(String first, String last, String copies, String price) {
        return new PlacementForm(" Dunlin Bay ", first, last, copies, price, " by hand ")
                .check(TealTours.BUSINESS, TODAY);
    }

    private static Map<String, String> faults(String first, String last, String copies, String price) {
        return check(first, last, copies, price).faults();
    }

    @Test
    void what_is_right_is_a_placement() {
        assertThat(check("2026-05-01", "2026-05-31", "2'500", "0.085").placement())
                .contains(new PlacementForm.Placement(
                        "Dunlin Bay",
                        LocalDate.of(2026, 5, 1),
                        LocalDate.of(2026, 5, 31),
                        Optional.of(2_500L),
                        Optional.of(new UnitPrice(8_500)),
                        "by hand"));
    }

    @Test
    void without_a_last_day_it_is_one_day_and_without_a_number_no_rate() {
        PlacementForm.Placement placement =
                check("2026-05-01", " ", "", "").placement().orElseThrow();
        assertThat(placement.endsOn()).isEqualTo(LocalDate.of(2026, 5, 1));
        assertThat(placement.copies()).isEmpty();
        assertThat(placement.price()).isEmpty();
        assertThat(PlacementForm.empty(TODAY).check(TealTours.BUSINESS, TODAY).faults())
                .containsOnlyKeys("place");
    }

    @ParameterizedTest
    @CsvSource({"2016-05-20, true", "2016-05-19, false", "2036-05-20, true", "2036-05-21, false", "soon, false"})
    void a_day_lies_within_ten_years(String day, boolean isOne) {
        assertThat(faults(day, "", "", "").isEmpty()).isEqualTo(isOne);
    }

    @ParameterizedTest
    @CsvSource({"1, true", "0, false", "100000000, true", "100000001, false", "-3, false", "some, false", "1 000, true"
    })
    void a_number_is_whole_and_above_nothing(String copies, boolean isOne) {
        assertThat(faults("2026-05-01", "", copies, "").containsKey("copies")).isNotEqualTo(isOne);
    }

    @Test
    void all_that_is_wrong_is_told_at_once() {
        assertThat(faults("2026-05-02", "2026-05-01", "", "0.10"))
                .isEqualTo(Map.of(
                        "endsOn", "The last day is before the first.",
                        "copies", "A price each needs the number of copies or recipients."));
        assertThat(faults("2026-05-02", "", "many", "free")).containsOnlyKeys("copies", "unitPrice");
    }
}

package wendo.core.outcomes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.core.media.PhoneNumber;

class ClueTest {
    private static final UUID CAMPSITE = new UUID(0, 1);
    private static final UUID POSTCARDS = new UUID(0, 2);

    private static Clue clue(Evidence evidence, UUID source) {
        return new Clue(evidence, evidence.key(), Optional.ofNullable(source));
    }

    /** Every pair of two kinds, in both orders: the order of strength is that of the rules. */
    @Test
    void the_stronger_of_two_decides_and_the_other_is_kept() {
        for (Evidence first : Evidence.values()) {
            for (Evidence second : Evidence.values()) {
                if (first != second) {
                    List<Clue> clues = List.of(clue(first, CAMPSITE), clue(second, POSTCARDS));
                    UUID decides = Clue.strongest(clues).orElseThrow().source().orElseThrow();
                    assertThat(decides).isEqualTo(first.isStrongerThan(second) ? CAMPSITE : POSTCARDS);
                    assertThat(Clue.disagreeing(clues))
                            .hasSize(1)
                            .noneMatch(clue -> clue.source().equals(Optional.of(decides)));
                }
            }
        }
        assertThat(Evidence.values())
                .extracting(Evidence::key)
                .containsExactly(
                        "set", "claim", "click", "code", "partner", "visitor", "contact", "answer", "referrer");
    }

    @Test
    void what_points_nowhere_decides_nothing_and_disagrees_with_nothing() {
        List<Clue> clues = List.of(
                new Clue(Evidence.CODE, "BUNK10", Optional.empty()),
                clue(Evidence.ANSWER, POSTCARDS),
                clue(Evidence.REFERRER, POSTCARDS));
        assertThat(Clue.strongest(clues)).hasValue(clues.get(1));
        assertThat(Clue.disagreeing(clues)).isEmpty();
        assertThat(Clue.strongest(List.of(clues.get(0)))).isEmpty();
        assertThat(Clue.disagreeing(List.of())).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"saltgrass 10,SALTGRASS10", "Salt-Grass_10!,SALTGRASS10", "ünke5,ÜNKE5", "'--',", "'',"})
    void codes_are_compared_without_case_and_separators(String typed, String key) {
        assertThat(GivenCode.find(typed).map(GivenCode::key)).isEqualTo(Optional.ofNullable(key));
    }

    @Test
    void a_code_has_forty_letters_at_most() {
        assertThat(GivenCode.find("x".repeat(40))).isPresent();
        assertThat(GivenCode.find("x".repeat(41))).isEmpty();
    }

    /**
     * Numbers from ranges reserved for drama and fiction: Ofcom's 020 7946 0xxx and 07700 900xxx, and the North American
     * plan's 555-01xx. The international form: ITU-T E.164.
     */
    @ParameterizedTest
    @CsvSource({
        "020 7946 0018,GB,+442079460018",
        "(020) 7946-0018,GB,+442079460018",
        "+44 20 7946 0018,US,+442079460018",
        "07700 900123,GB,+447700900123",
        "202-555-0143,US,+12025550143",
        "0044 7700 900123,GB,+447700900123",
        "12,GB,",
        "call me,GB,",
        "+999 1234567,GB,"
    })
    void phone_numbers_take_their_international_form(String typed, String country, String e164) {
        assertThat(PhoneNumber.find(typed, country).map(PhoneNumber::value)).isEqualTo(Optional.ofNullable(e164));
    }

    @Test
    void what_is_wrong_with_details_is_told_and_later_news_fills_what_is_empty() {
        List<OutcomeReport.Fault> faults = new ArrayList<>();
        ReportedDetails bad = ReportedDetails.of(
                new ReportedDetails.Typed("n".repeat(121), "ines(at)marsh", "12", "GB", "??", "a".repeat(201), "", ""),
                faults);
        assertThat(faults)
                .extracting(OutcomeReport.Fault::field)
                .containsExactly("email", "phone", "code", "name", "answer");
        assertThat(bad.email() + bad.phone()).isEmpty();
        ReportedDetails first = ReportedDetails.of(
                new ReportedDetails.Typed("Ines", "INES@marsh.example", "", "GB", "", "", "", ""), new ArrayList<>());
        ReportedDetails later = first.with(ReportedDetails.of(
                new ReportedDetails.Typed("", "", "07700 900123", "GB", "b-1", "", "", ""), new ArrayList<>()));
        assertThat(later)
                .isEqualTo(new ReportedDetails("Ines", "ines@marsh.example", "+447700900123", "b-1", "", "", ""));
        assertThat(later.with(ReportedDetails.none())).isEqualTo(later);
        assertThat(later.fields()).containsEntry("email", "ines@marsh.example").hasSize(7);
    }
}

package wendo.core.outcomes;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** The words are common practice of tills and partner networks; no list of them is published. */
class OutcomeStatusTest {
    @ParameterizedTest
    @EnumSource(OutcomeStatus.class)
    void its_own_word_means_a_status_in_any_case(OutcomeStatus status) {
        assertThat(OutcomeStatus.spoken(" " + status.name() + " ")).isEqualTo(status.key());
        assertThat(OutcomeStatus.find(OutcomeStatus.spoken(status.name()))).contains(status);
    }

    @ParameterizedTest
    @CsvSource({
        "Approved, confirmed",
        "PAID, confirmed",
        "validated, confirmed",
        "Declined, cancelled",
        "no show, cancelled",
        "reversed, cancelled",
        "pending, open",
        "New, open"
    })
    void words_of_tills_and_partners_mean_one(String word, String status) {
        assertThat(OutcomeStatus.spoken(word)).isEqualTo(status);
    }

    @Test
    void any_other_word_is_none_and_stays_as_it_is() {
        assertThat(OutcomeStatus.spoken(" Maybe ")).isEqualTo("maybe");
        assertThat(OutcomeStatus.find(OutcomeStatus.spoken("maybe"))).isEmpty();
        assertThat(OutcomeStatus.spoken("")).isEmpty();
    }
}

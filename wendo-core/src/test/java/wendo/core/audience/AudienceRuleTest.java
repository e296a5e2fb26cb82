package wendo.core.audience;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class AudienceRuleTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 12, 1);
    private static final Condition CAME =
            new Condition(true, new Criterion.Came(Criterion.Way.ANY, List.of(), When.ever(), 1));

    private static Combined all(AudienceRule... parts) {
        return new Combined(Match.ALL, List.of(parts));
    }

    @Test
    void today_is_the_first_of_the_last_days_and_a_last_day_counts() {
        assertThat(When.last(1).from(TODAY)).contains(TODAY);
        assertThat(When.last(7).from(TODAY)).contains(LocalDate.of(2026, 11, 25));
        When between = When.between(Optional.of(LocalDate.of(2026, 3, 1)), Optional.of(LocalDate.of(2026, 3, 31)));
        assertThat(between.before()).contains(LocalDate.of(2026, 4, 1));
        assertThat(between.isEver()).isFalse();
        assertThat(When.ever().isEver()).isTrue();
    }

    @Test
    void days_that_make_no_sense_are_refused() {
        assertThatThrownBy(() -> When.last(3651)).hasMessage("Days are 1 to 3650, but were 3651");
        assertThatThrownBy(() -> When.between(Optional.of(TODAY), Optional.of(TODAY.minusDays(1))))
                .hasMessage("The last day, 2026-11-30, is before the first, 2026-12-01");
        assertThatThrownBy(() -> new When(7, Optional.of(TODAY), Optional.empty()))
                .hasMessage("Days are counted back from today or lie between two days, not both");
        assertThat(When.last(3650).lastDays()).isEqualTo(3650);
    }

    @Test
    void rules_have_three_levels_and_twenty_four_conditions_at_most() {
        Combined three = all(all(all(CAME)));
        assertThat(three.depth()).isEqualTo(4);
        assertThatThrownBy(() -> all(three)).hasMessage("Rules have 3 levels at most, not 4");
        assertThat(new Combined(Match.ANY, Collections.nCopies(24, CAME)).conditions())
                .isEqualTo(24);
        assertThatThrownBy(() -> new Combined(Match.ANY, Collections.nCopies(25, CAME)))
                .hasMessage("An audience has 24 conditions at most, not 25");
    }

    @Test
    void a_criterion_says_what_it_lacks() {
        assertThatThrownBy(() -> new Criterion.Came(Criterion.Way.SOURCE, List.of(), When.ever(), 1))
                .hasMessage("Choose at least one source");
        assertThatThrownBy(() -> new Criterion.Came(Criterion.Way.ANY, List.of(), When.ever(), 0))
                .hasMessage("At least 1 of visits, but it was 0");
        assertThatThrownBy(() -> new Criterion.Did("booking", When.ever(), "", 0, 2, Optional.of(1)))
                .hasMessage("At most 1 is less than at least 2");
        assertThatThrownBy(() -> new Criterion.Spent(0, When.ever()))
                .hasMessage("The least value has to be above 0, but was 0");
        assertThatThrownBy(() -> new Criterion.Labelled("  ")).hasMessage("The label is missing");
        assertThat(new Criterion.Did("any", When.ever(), "  VOUCHER ", 0, 1, Optional.empty()).product())
                .isEqualTo("voucher");
        assertThat(new Criterion.Known(Criterion.Trait.COUNTRY, List.of("GB", "GB")).values())
                .containsExactly("GB");
    }
}

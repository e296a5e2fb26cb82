package wendo.app.compare.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wendo.app.compare.source.Funnel;
import wendo.app.compare.source.ModelLine;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.ComparedWith;
import wendo.app.compare.sql.CreditClock;
import wendo.app.compare.sql.Credited;
import wendo.app.compare.sql.Grouping;
import wendo.app.money.targets.Targets;
import wendo.core.credit.ModelName;
import wendo.core.outcomes.OutcomeKind;

class ModelViewTest {
    private static final String CHEAP = Rows.key("Cheap");
    private static final String DEAR = Rows.key("Dear");
    private static final String FREE = Rows.key("Free");

    private final Map<String, Map<ModelName, Credited>> credited = new HashMap<>();

    private static Credited whole(long outcomes) {
        return Rows.whole(outcomes, outcomes * 100);
    }

    private static Comparison comparison() {
        return Rows.comparison(
                Targets.All.NONE,
                Rows.row("Cheap", 400, 100, 100_000),
                Rows.row("Dear", 900, 20, 400_000),
                Rows.row("Free", 100, 5, 0));
    }

    /** The same under every model, unless said otherwise. */
    private void credits(String source, long bookings) {
        Map<ModelName, Credited> models = new EnumMap<>(ModelName.class);
        for (ModelName model : ModelName.values()) {
            models.put(model, whole(bookings));
        }
        credited.put(source, models);
    }

    private ModelView view() {
        return ModelView.of(comparison(), OutcomeKind.BOOKING, credited);
    }

    @Test
    void where_all_models_agree_the_decision_does_not_depend_on_them() {
        credits(CHEAP, 100);
        credits(DEAR, 20);
        assertThat(view().said(CHEAP))
                .isEqualTo("The decision does not depend on the model: it is clearly below average under every one.");
        assertThat(view().said(DEAR)).contains("clearly above average");
        assertThat(view().depending(comparison())).isEmpty();
        assertThat(view().said(FREE)).as("what nothing was spent on").contains("not judged");
    }

    @Test
    void where_one_model_judges_otherwise_it_is_named() {
        credits(CHEAP, 100);
        credits(DEAR, 20);
        credited.getOrDefault(DEAR, Map.of()).put(ModelName.FIRST_TOUCH, whole(360));
        credited.getOrDefault(DEAR, Map.of()).put(ModelName.MARKOV, whole(360));
        assertThat(view().depending(comparison())).containsExactly("Cheap", "Dear");
        assertThat(view().said(DEAR))
                .startsWith("The decision depends on the model: clearly above average by last touch, last non-direct")
                .endsWith("about average by first touch, Markov.");
    }

    /** A source is held against the average of its own model: 500,000 over 120 and over 190 bookings. */
    @Test
    void each_model_has_its_own_average() {
        credits(CHEAP, 100);
        credits(DEAR, 20);
        credited.getOrDefault(DEAR, Map.of()).put(ModelName.LINEAR, whole(90));
        Map<ModelName, Judged> dear = view().byKey().getOrDefault(DEAR, Map.of());
        assertThat(dear.values().stream()
                        .map(judged -> Math.round(judged.ceiling().orElseThrow().minor()))
                        .distinct())
                .containsExactly(4167L, 2632L);
        List<ModelLine> lines = ModelLine.of(dear, OutcomeKind.BOOKING, Rows.FIGURES);
        assertThat(lines).hasSize(ModelName.values().length);
        assertThat(lines.get(0).cost()).isEqualTo("£200");
        assertThat(lines.get(ModelName.LINEAR.ordinal()).number()).isEqualTo("90");
        assertThat(lines.get(ModelName.LINEAR.ordinal()).cost()).isEqualTo("£44.44");
        assertThat(lines.stream().map(line -> line.plot().orElseThrow().dot().orElseThrow()))
                .as("on one line for all")
                .allMatch(dot -> dot > 0 && dot < 100);
    }

    @Test
    void shares_of_an_outcome_are_surer_than_their_sum_of_whole_ones() {
        credits(CHEAP, 100);
        credits(DEAR, 20);
        credited.getOrDefault(CHEAP, Map.of()).put(ModelName.LINEAR, new Credited(100_000_000, 25, 0)); // 400 quarters
        Map<ModelName, Judged> cheap = view().byKey().getOrDefault(CHEAP, Map.of());
        assertThat(width(cheap, ModelName.LINEAR)).isLessThan(width(cheap, ModelName.LAST_TOUCH));
    }

    private static double width(Map<ModelName, Judged> judged, ModelName model) {
        var interval = Optional.ofNullable(judged.get(model))
                .orElseThrow()
                .cost()
                .intervalMinor()
                .orElseThrow();
        return interval.high() - interval.low();
    }

    /** Newcombe's intervals: 100 of 400 against 25 of 1,000 others; 20 of 900 against 105 of 500. */
    @Test
    void a_source_is_set_against_all_others() {
        Funnel cheap = Funnel.of(comparison().rows().get(0), comparison(), Rows.FIGURES);
        Funnel.Step bookings = cheap.steps().get(OutcomeKind.BOOKING.ordinal());
        assertThat(bookings.number()).isEqualTo("100");
        assertThat(bookings.own()).isEqualTo("25.0%");
        assertThat(bookings.others()).isEqualTo("2.5%");
        assertThat(bookings.words()).startsWith("clearly higher: +18.");
        Funnel dear = Funnel.of(comparison().rows().get(1), comparison(), Rows.FIGURES);
        assertThat(dear.steps().get(OutcomeKind.BOOKING.ordinal()).words()).startsWith("clearly lower: -");
        assertThat(dear.steps().get(OutcomeKind.LEAD.ordinal()).words()).startsWith("could be the same: ");
    }

    @Test
    void more_taken_back_than_came_counts_as_nothing_and_is_shown_as_it_is() {
        Credited back = new Credited(-1_500_000, 1.25, -300);
        assertThat(Rows.FIGURES.credit(back.number())).isEqualTo("-1.50");
        assertThat(back.count().value()).isZero();
        assertThat(Rows.FIGURES.credit(whole(1200).number())).isEqualTo("1,200");
        assertThat(back.plus(whole(2)).number()).isEqualByComparingTo("0.5");
    }

    @Test
    void an_address_says_what_is_looked_at_and_nonsense_is_as_usual() {
        CompareChoice choice = CompareChoice.of(name -> Optional.ofNullable(
                Map.of("by", "month", "kind", "lead", "model", "markov", "clock", "touch", "with", "year")
                        .get(name)));
        assertThat(choice.query()).isEqualTo("&by=month&kind=lead&model=markov&clock=touch&with=year");
        assertThat(CompareChoice.of(name -> Optional.of("x"))).isEqualTo(CompareChoice.usual());
        assertThat(choice.with(OutcomeKind.PURCHASE)
                        .with(ModelName.LINEAR)
                        .with(CreditClock.ENTRY)
                        .with(Grouping.LINK)
                        .with(ComparedWith.NOTHING)
                        .query())
                .isEqualTo("&by=link&kind=purchase&model=linear&clock=entry&with=nothing");
    }
}

package wendo.app.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneId;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import wendo.app.site.Figures;
import wendo.core.credit.ModelName;
import wendo.core.links.Channel;
import wendo.core.outcomes.OutcomeKind;

class ModelViewTest {
    private static final Figures FIGURES = new Figures(CurrencyUnit.GBP, ZoneId.of("Europe/London"), Locale.UK);
    private static final UUID CHEAP = new UUID(0, 1);
    private static final UUID DEAR = new UUID(0, 2);
    private static final UUID FREE = new UUID(0, 3);

    private final Map<Optional<UUID>, Map<ModelName, Credited>> credited = new HashMap<>();

    private static Credited whole(long outcomes) {
        return new Credited(outcomes * 1_000_000, outcomes);
    }

    private static ComparedSource source(UUID id, String name, long people, long bookings, long spendMinor) {
        return new ComparedSource(
                Optional.of(id),
                name,
                Optional.of(Channel.AD),
                people,
                people,
                Map.of(OutcomeKind.BOOKING, whole(bookings)),
                0,
                Optional.of(spendMinor).filter(minor -> minor > 0));
    }

    private static Comparison comparison() {
        List<ComparedSource> rows = List.of(
                source(CHEAP, "Cheap", 400, 100, 100_000),
                source(DEAR, "Dear", 900, 20, 400_000),
                source(FREE, "Free", 100, 5, 0));
        return new Comparison(rows, source(new UUID(0, 9), "All sources", 1400, 125, 500_000), 0);
    }

    /** The same under every model, unless said otherwise. */
    private void credits(UUID source, long bookings) {
        Map<ModelName, Credited> models = new EnumMap<>(ModelName.class);
        for (ModelName model : ModelName.values()) {
            models.put(model, whole(bookings));
        }
        credited.put(Optional.of(source), models);
    }

    private ModelView view() {
        return ModelView.of(comparison(), credited);
    }

    @Test
    void where_all_models_agree_the_decision_does_not_depend_on_them() {
        credits(CHEAP, 100);
        credits(DEAR, 20);
        assertThat(view().said(CHEAP))
                .isEqualTo(
                        "The decision does not depend on the model: under every one it is clearly less than the average.");
        assertThat(view().said(DEAR)).contains("clearly more than the average");
        assertThat(view().depending(comparison())).isEmpty();
        assertThat(view().said(FREE)).as("what nothing was spent on").contains("too early to tell");
    }

    @Test
    void where_one_model_judges_otherwise_it_is_named() {
        credits(CHEAP, 100);
        credits(DEAR, 20);
        credited.getOrDefault(Optional.of(DEAR), Map.of()).put(ModelName.FIRST_TOUCH, whole(300));
        credited.getOrDefault(Optional.of(DEAR), Map.of()).put(ModelName.MARKOV, whole(300));
        assertThat(view().depending(comparison())).containsExactly("Dear");
        assertThat(view().said(DEAR))
                .startsWith(
                        "The decision depends on the model: clearly more than the average by last touch, last non-direct")
                .endsWith("too early to tell by first touch, Markov.");
    }

    /** A source is held against the average of its own model: 500,000 over 120 and over 190 bookings. */
    @Test
    void each_model_has_its_own_average() {
        credits(CHEAP, 100);
        credits(DEAR, 20);
        credited.getOrDefault(Optional.of(DEAR), Map.of()).put(ModelName.LINEAR, whole(90));
        Map<ModelName, ModelView.Judged> dear = view().bySource().getOrDefault(DEAR, Map.of());
        assertThat(dear.values().stream()
                        .map(judged -> Math.round(judged.average().valueMinor().orElseThrow()))
                        .distinct())
                .containsExactly(4167L, 2632L);
        List<ModelLine> lines = ModelLine.of(dear, FIGURES);
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
        credited.getOrDefault(Optional.of(CHEAP), Map.of())
                .put(ModelName.LINEAR, new Credited(100_000_000, 25)); // 400 quarters
        Map<ModelName, ModelView.Judged> cheap = view().bySource().getOrDefault(CHEAP, Map.of());
        assertThat(width(cheap, ModelName.LINEAR)).isLessThan(width(cheap, ModelName.LAST_TOUCH));
    }

    private static double width(Map<ModelName, ModelView.Judged> judged, ModelName model) {
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
        Funnel cheap = Funnel.of(comparison().rows().get(0), comparison(), FIGURES);
        Funnel.Step bookings = cheap.steps().get(OutcomeKind.BOOKING.ordinal());
        assertThat(bookings.number()).isEqualTo("100");
        assertThat(bookings.own()).isEqualTo("25.0%");
        assertThat(bookings.others()).isEqualTo("2.5%");
        assertThat(bookings.words()).startsWith("clearly higher: +18.");
        Funnel dear = Funnel.of(comparison().rows().get(1), comparison(), FIGURES);
        assertThat(dear.steps().get(OutcomeKind.BOOKING.ordinal()).words()).startsWith("clearly lower: -");
        assertThat(dear.steps().get(OutcomeKind.LEAD.ordinal()).words()).startsWith("could be the same: ");
    }

    @Test
    void more_taken_back_than_came_counts_as_nothing_and_is_shown_as_it_is() {
        Credited back = new Credited(-1_500_000, 1.25);
        assertThat(FIGURES.credit(back.number())).isEqualTo("-1.50");
        assertThat(back.count().value()).isZero();
        assertThat(FIGURES.credit(whole(1200).number())).isEqualTo("1,200");
        assertThat(back.plus(whole(2)).number()).isEqualByComparingTo("0.5");
    }

    @Test
    void an_address_says_what_is_looked_at_and_nonsense_is_as_usual() {
        CompareChoice choice = CompareChoice.of(Optional.of("lead"), Optional.of("markov"), Optional.of("touch"));
        assertThat(choice.query()).isEqualTo("&kind=lead&model=markov&clock=touch");
        assertThat(CompareChoice.of(Optional.of("x"), Optional.of("y"), Optional.of("z")))
                .isEqualTo(CompareChoice.usual());
        assertThat(choice.with(OutcomeKind.PURCHASE)
                        .with(ModelName.LINEAR)
                        .with(CreditClock.ENTRY)
                        .query())
                .isEqualTo("&kind=purchase&model=linear&clock=entry");
    }
}

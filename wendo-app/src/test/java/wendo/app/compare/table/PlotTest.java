package wendo.app.compare.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import wendo.core.measure.Interval;

class PlotTest {

    private static Plot.Given given(double value, double low, double high) {
        return new Plot.Given(OptionalDouble.of(value), Optional.of(new Interval(low, high)), "", "words");
    }

    @Test
    void on_a_linear_axis_distances_are_differences() {
        List<Plot.Given> column = List.of(given(10, 5, 15), given(20, 18, 25));
        Plot.Axis axis = Plot.Axis.linear(column);
        assertThat(axis).isEqualTo(new Plot.Axis(0, 25, false));
        Plot plot = Plot.of(column.get(0), axis, OptionalDouble.of(12.5)).orElseThrow();
        assertThat(plot).isEqualTo(new Plot(Optional.of(40.0), 20, 60, false, Optional.of(50.0), "words"));
    }

    @Test
    void on_a_logarithmic_axis_distances_are_factors() {
        Plot.Axis axis = new Plot.Axis(1, 100, true);
        Plot plot = Plot.of(given(10, 1, 100), axis, OptionalDouble.empty()).orElseThrow();
        assertThat(plot.dot().orElseThrow()).isCloseTo(50, within(1e-9));
        assertThat(plot.low()).isZero();
        assertThat(plot.high()).isEqualTo(100);
        assertThat(plot.average()).isEmpty();
    }

    @Test
    void a_line_that_goes_on_beyond_its_axis_says_so_and_stays_on_it() {
        Plot.Given open =
                new Plot.Given(OptionalDouble.empty(), Optional.of(new Interval(50, Double.POSITIVE_INFINITY)), "", "");
        Plot.Axis axis = Plot.Axis.logarithmic(List.of(open, given(100, 80, 130)));
        Plot plot = Plot.of(open, axis, OptionalDouble.empty()).orElseThrow();
        assertThat(plot.isCut()).isTrue();
        assertThat(plot.high()).isEqualTo(100);
        assertThat(plot.dot()).isEmpty();
        assertThat(plot.low()).isBetween(0.0, 20.0);
    }

    @Test
    void without_an_interval_or_an_axis_nothing_is_drawn() {
        Plot.Given none = new Plot.Given(OptionalDouble.empty(), Optional.empty(), "–", "none");
        assertThat(Plot.of(none, new Plot.Axis(0, 1, false), OptionalDouble.empty()))
                .isEmpty();
        assertThat(Plot.of(given(0, 0, 0), Plot.Axis.linear(List.of(given(0, 0, 0))), OptionalDouble.empty()))
                .isEmpty();
    }
}

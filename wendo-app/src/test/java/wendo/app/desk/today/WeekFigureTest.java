package wendo.app.desk.today;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import wendo.app.compare.table.Rows;

class WeekFigureTest {
    private static TodayQueries.Brought week(long people) {
        return new TodayQueries.Brought(people, 0, 0, 0, 0);
    }

    /**
     * The exact conditional interval of the ratio (Przyborowski and Wilenski 1940) of 60 to 40 is 0.99 to 2.30, of 62 to 38
     * 1.07 to 2.51: by the bounds of Clopper and Pearson (1934), summed in full from the binomial distribution elsewhere.
     */
    @Test
    void a_week_is_more_or_fewer_only_where_chance_alone_would_hardly_do_it() {
        assertThat(WeekFigure.change(60, 40)).isEqualTo("same");
        assertThat(WeekFigure.change(62, 38)).isEqualTo("more");
        assertThat(WeekFigure.change(38, 62)).isEqualTo("fewer");
        assertThat(WeekFigure.change(0, 0)).isEqualTo("same");
    }

    @Test
    void the_line_goes_from_the_oldest_week_to_the_last_and_from_nothing_to_the_most() {
        List<TodayQueries.Brought> weeks = new java.util.ArrayList<>(Collections.nCopies(8, week(0)));
        weeks.set(0, week(50));
        weeks.set(1, week(100));
        WeekFigure people = WeekFigure.of(weeks, Rows.FIGURES).get(0);
        assertThat(people.line()).startsWith("0.0,30.0 ").endsWith(" 85.7,0.0 100.0,15.0");
        assertThat(people.against()).isEqualTo("fewer than the week before (100)");
        assertThat(people.number()).isEqualTo("50");
    }
}

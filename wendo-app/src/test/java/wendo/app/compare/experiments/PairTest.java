package wendo.app.compare.experiments;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.context.i18n.LocaleContextHolder;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Rows;
import wendo.core.measure.Rate;

class PairTest {
    @AfterEach
    void nobody_reads() {
        LocaleContextHolder.resetLocaleContext();
    }

    private static Pair.Measure measure(ComparedRow first, ComparedRow second, String name) {
        return Pair.of(first, second, Rows.FIGURES).measures().stream()
                .filter(one -> one.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    /** 56 of 70 against 48 of 80: 0.0524 to 0.3339 (Newcombe 1998, example a). */
    @Test
    void a_rate_is_held_against_the_other_with_its_published_interval() {
        Pair.Measure rate = measure(Rows.row("A", 70, 56, 0), Rows.row("B", 80, 48, 0), "Booking rate");
        assertThat(rate.difference()).isEqualTo("+5.24 to +33.39 points");
        assertThat(rate.first()).startsWith("80.0%");
        assertThat(rate.second()).startsWith("60.0%");
        assertThat(rate.isClear()).isTrue();
    }

    @Test
    void what_nobody_did_or_nobody_paid_for_is_unknown_and_never_clear() {
        Pair.Measure none = measure(Rows.row("A", 0, 0, 0), Rows.row("B", 80, 48, 0), "Booking rate");
        assertThat(none.first()).isEqualTo("–");
        assertThat(none.difference()).isEqualTo("difference unknown");
        assertThat(none.isClear()).isFalse();
        Pair.Measure cost = measure(Rows.row("A", 70, 56, 0), Rows.row("B", 80, 48, 10_000), "Cost per booking");
        assertThat(cost.difference()).isEqualTo("difference unknown");
        assertThat(cost.isClear()).isFalse();
    }

    @Test
    void costs_are_told_apart_as_a_ratio() {
        Pair.Measure cost =
                measure(Rows.row("A", 900, 20, 40_000), Rows.row("B", 900, 100, 40_000), "Cost per booking");
        assertThat(cost.difference()).endsWith("times as much");
        assertThat(cost.isClear()).isTrue();
    }

    @Test
    void names_are_said_in_the_reader_s_language() {
        LocaleContextHolder.setLocale(Locale.GERMAN);
        assertThat(Pair.of(Rows.row("A", 1, 0, 0), Rows.row("B", 1, 0, 0), Rows.FIGURES)
                        .measures())
                .extracting(Pair.Measure::name)
                .contains("Buchungsrate")
                .noneMatch(name -> name.contains("rate") && name.contains(" "));
    }

    @Test
    void a_rate_without_people_is_a_dash() {
        assertThat(Pair.shown(new Rate(0, 0), Rows.FIGURES)).isEqualTo("–");
    }
}

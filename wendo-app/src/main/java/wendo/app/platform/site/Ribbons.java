package wendo.app.platform.site;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.measure.Period;

/** Draws the season ribbon from what the features know of the days. */
@Component
public class Ribbons {
    /** Beyond this many days a bar is a week; a day's bar would be too narrow to see. */
    private static final int MOST_DAY_BARS = 200;

    private final List<RibbonLayer> layers;

    Ribbons(List<RibbonLayer> layers) {
        this.layers = layers;
    }

    @Transactional(readOnly = true)
    public Ribbon draw(PeriodChoice choice) {
        return draw(choice, Optional.empty());
    }

    /** With the period that the chosen one is compared with. */
    @Transactional(readOnly = true)
    public Ribbon draw(PeriodChoice choice, Optional<Period> compared) {
        Period strip = strip(choice, compared);
        Map<LocalDate, Long> outcomes = new HashMap<>();
        layers.forEach(
                layer -> layer.outcomesByDay(strip).forEach((day, count) -> outcomes.merge(day, count, Long::sum)));
        return new Ribbon(
                strip.startInclusive(),
                strip.lastDay(),
                bars(strip, choice.period(), outcomes),
                layers.stream()
                        .flatMap(layer -> layer.campaigns(strip).stream())
                        .flatMap(span -> place(strip, span))
                        .toList(),
                months(strip),
                left(strip, choice.period().startInclusive()),
                width(strip, choice.period().startInclusive(), choice.period().endExclusive()),
                compared.map(ghost -> new Ribbon.Ghost(
                        left(strip, ghost.startInclusive()),
                        width(strip, ghost.startInclusive(), ghost.endExclusive()))));
    }

    private static Period strip(PeriodChoice choice, Optional<Period> compared) {
        LocalDate start = Stream.of(
                        choice.today().minusWeeks(PeriodChoice.SEASON_WEEKS).plusDays(1),
                        choice.period().startInclusive(),
                        compared.map(Period::startInclusive).orElse(choice.today()))
                .min(LocalDate::compareTo)
                .orElseThrow();
        LocalDate last = choice.period().lastDay().isAfter(choice.today())
                ? choice.period().lastDay()
                : choice.today();
        return Period.ofDays(start, last);
    }

    private static List<Ribbon.Bar> bars(Period strip, Period chosen, Map<LocalDate, Long> outcomes) {
        int step = strip.days() <= MOST_DAY_BARS ? 1 : 7;
        List<LocalDate> firsts = strip.startInclusive()
                .datesUntil(strip.endExclusive(), java.time.Period.ofDays(step))
                .toList();
        List<Long> counts = firsts.stream()
                .map(first -> LongStream.range(0, step)
                        .map(i -> outcomes.getOrDefault(first.plusDays(i), 0L))
                        .sum())
                .toList();
        long most = Math.max(1, counts.stream().mapToLong(Long::longValue).max().orElse(1));
        return LongStream.range(0, firsts.size())
                .filter(i -> counts.get((int) i) > 0)
                .mapToObj(i -> {
                    LocalDate first = firsts.get((int) i);
                    long count = counts.get((int) i);
                    boolean isChosen =
                            !first.isBefore(chosen.startInclusive()) && first.isBefore(chosen.endExclusive());
                    double width = width(strip, first, first.plusDays(step));
                    return new Ribbon.Bar(
                            left(strip, first), width * 0.8, 100.0 * count / most, count, first, isChosen);
                })
                .toList();
    }

    private static Stream<Ribbon.CampaignSpan> place(Period strip, RibbonLayer.Span span) {
        LocalDate first = span.first().isBefore(strip.startInclusive()) ? strip.startInclusive() : span.first();
        LocalDate end = span.last().isAfter(strip.lastDay())
                ? strip.endExclusive()
                : span.last().plusDays(1);
        return first.isBefore(end)
                ? Stream.of(new Ribbon.CampaignSpan(span.name(), left(strip, first), width(strip, first, end)))
                : Stream.empty();
    }

    private static List<Ribbon.Month> months(Period strip) {
        LocalDate first = strip.startInclusive().withDayOfMonth(1).plusMonths(1);
        return Stream.iterate(first, day -> day.isBefore(strip.endExclusive()), day -> day.plusMonths(1))
                .map(day -> new Ribbon.Month(day, left(strip, day)))
                .toList();
    }

    private static double left(Period strip, LocalDate day) {
        return 100.0 * ChronoUnit.DAYS.between(strip.startInclusive(), day) / strip.days();
    }

    private static double width(Period strip, LocalDate first, LocalDate endExclusive) {
        return 100.0 * ChronoUnit.DAYS.between(first, endExclusive) / strip.days();
    }
}

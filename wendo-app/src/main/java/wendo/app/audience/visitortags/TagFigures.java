package wendo.app.audience.visitortags;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Businesses;

/** What became of each tag in the last four weeks. */
@Component
class TagFigures {
    static final int DAYS = 28;

    private final TagCounts counts;
    private final Businesses businesses;
    private final Clock clock;

    TagFigures(TagCounts counts, Businesses businesses, Clock clock) {
        this.counts = counts;
        this.businesses = businesses;
        this.clock = clock;
    }

    record Figures(Map<TagResult, Long> by) {
        static final Figures NONE = new Figures(Map.of());

        Figures {
            by = Map.copyOf(by);
        }

        public long of(TagResult result) {
            return by.getOrDefault(result, 0L);
        }

        public long tagged() {
            return of(TagResult.TAGGED);
        }

        public long refused() {
            return Stream.of(TagResult.DECLINED, TagResult.REMEMBERED, TagResult.UNANSWERED, TagResult.SIGNAL)
                    .mapToLong(this::of)
                    .sum();
        }

        public long failed() {
            return of(TagResult.FAILED);
        }

        /** Of those who were tagged or refused; 0 to 100, empty figures 0. */
        public long refusedPercent() {
            long all = tagged() + refused();
            return all == 0 ? 0 : Math.round(100.0 * refused() / all);
        }
    }

    @Transactional(readOnly = true)
    public Map<UUID, Figures> all() {
        LocalDate today =
                LocalDate.ofInstant(clock.instant(), businesses.current().zone());
        return counts.since(today.minusDays(DAYS - 1)).entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, one -> new Figures(one.getValue())));
    }
}

package wendo.app.compare.verdict;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Comparisons;
import wendo.app.compare.table.Judged;
import wendo.app.platform.business.Business;
import wendo.core.measure.Period;

/** Which verdicts the last week has changed. */
@Service
public class VerdictChanges {
    /** In a shorter period a week is most of the data, and verdicts change by chance. */
    private static final int LEAST_DAYS = 28;

    private final Comparisons comparisons;

    public VerdictChanges(Comparisons comparisons) {
        this.comparisons = comparisons;
    }

    /**
     * For a period that still goes on: what was known a week ago beside what is known now. Only decided verdicts are news.
     *
     * @param now the usual comparison of the period
     */
    public List<VerdictChange> sinceAWeek(Comparison now, Period period, Business business, LocalDate today) {
        if (period.days() < LEAST_DAYS || period.endExclusive().isBefore(today)) {
            return List.of();
        }
        CompareChoice look = CompareChoice.usual();
        Comparison then = comparisons.compare(
                new Period(period.startInclusive(), period.endExclusive().minusDays(7)), business, look);
        Map<String, Judged> was = then.judgedByKey(look.kind());
        List<VerdictChange> changes = new ArrayList<>();
        Map<String, Judged> judged = now.judgedByKey(look.kind());
        for (ComparedRow row : now.paid()) {
            Optional.ofNullable(was.get(row.key()))
                    .ifPresent(before -> add(changes, row, before, judged.getOrDefault(row.key(), before)));
        }
        return List.copyOf(changes);
    }

    private static void add(List<VerdictChange> changes, ComparedRow row, Judged before, Judged now) {
        if (now.isDecided() && before.isPossible() && !before.words().equals(now.words())) {
            row.source()
                    .ifPresent(
                            source -> changes.add(new VerdictChange(source, row.name(), before.words(), now.words())));
        }
    }
}

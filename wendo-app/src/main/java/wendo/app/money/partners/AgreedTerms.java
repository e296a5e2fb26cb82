package wendo.app.money.partners;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import wendo.core.partners.CommissionTerms;

/** Terms, and from when to when they hold. The next version of the same way ends them earlier. */
record AgreedTerms(TermsWay way, LocalDate firstDay, Optional<LocalDate> lastDay, CommissionTerms terms) {
    private boolean isOver(LocalDate day) {
        return lastDay.filter(day::isAfter).isPresent();
    }

    /** The version of a way that holds on a day: the latest that has begun, unless it has ended. */
    static Optional<AgreedTerms> on(LocalDate day, TermsWay way, List<AgreedTerms> all) {
        return all.stream()
                .filter(one -> one.way() == way && !one.firstDay().isAfter(day))
                .max(Comparator.comparing(AgreedTerms::firstDay))
                .filter(one -> !one.isOver(day));
    }

    static Function<LocalDate, Optional<CommissionTerms>> of(TermsWay way, List<AgreedTerms> all) {
        return day -> on(day, way, all).map(AgreedTerms::terms);
    }
}

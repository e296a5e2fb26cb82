package wendo.simulation;

import java.time.LocalDate;
import java.util.List;
import wendo.core.outcomes.OutcomeKind;

/**
 * What the rules ought to find in a season, by expectation: who comes by a source, and what its last touches bring. Whoever
 * comes back comes by any source alike, and acts by that one alone.
 */
record Truth(World world, LocalDate firstDay) {

    /** Different people who come by a source in a season. */
    double people(TrueSource source) {
        double own = new Arriving(firstDay).expected(source);
        return own + back(all() - own);
    }

    /** Of them, those who come by no other source after it. */
    private double acting(TrueSource source) {
        double own = new Arriving(firstDay).expected(source);
        return own * (1 - world.habits().returning()) + back(all());
    }

    private double all() {
        Arriving arriving = new Arriving(firstDay);
        List<TrueSource> sources = world.sources();
        return sources.stream().mapToDouble(arriving::expected).sum();
    }

    private double back(double people) {
        return people * world.habits().returning() / world.sources().size();
    }

    /** Outcomes that its last touches bring and that are not taken back in whole, told of or not. */
    double outcomes(TrueSource source, OutcomeKind kind) {
        double refunded = kind == OutcomeKind.LEAD ? 0 : world.habits().refundedWhole();
        return source.rate(kind) * acting(source) * (1 - refunded);
    }

    /** Of them, those of which something tells where they came from. */
    double told(TrueSource source, OutcomeKind kind) {
        return outcomes(source, kind) * (1 - world.habits().lost());
    }

    /**
     * What the linear model ought to credit it with. Whoever came by two sources shares between both, unless a code was
     * given at the till, which tells of one alone.
     */
    double toldLinearly(TrueSource source, OutcomeKind kind) {
        Habits habits = world.habits();
        double own = new Arriving(firstDay).expected(source);
        double both = (1 - habits.lost() - habits.atTheTill()) / 2;
        double others =
                world.sources().stream().mapToDouble(one -> one.rate(kind)).sum();
        double refunded = kind == OutcomeKind.LEAD ? 0 : habits.refundedWhole();
        return (1 - refunded)
                * (own * (1 - habits.returning()) * source.rate(kind) * (1 - habits.lost())
                        + back(all()) * source.rate(kind) * (habits.atTheTill() + both)
                        + back(own) * others * both);
    }
}

package wendo.core.partners;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import wendo.core.outcomes.OutcomeKind;

/**
 * What a partner earns in one calendar month of the business: a line for each outcome, rounded half up to the minor unit;
 * the month is the sum of its lines. What an outcome earns is by the terms of its day. Ours.
 */
public record MonthCommission(List<Line> lines) {
    /**
     * An outcome that is the partner's.
     *
     * @param isFirst whether it is the customer's first of its kind
     */
    public record Earning(UUID outcome, OutcomeKind kind, LocalDate day, Worth worth, boolean isFirst) {
        Earning withKept(long minor) {
            return new Earning(outcome, kind, day, worth.withKept(minor), isFirst);
        }
    }

    /** Why an outcome earns what it earns. */
    public enum Reason {
        BY_TERMS,
        NO_TERMS,
        NOT_AGREED,
        NOT_FIRST,
        NOT_AMONG_ITEMS,
        CAPPED,
        CAPPED_BY_MONTH;

        boolean earns() {
            return this == BY_TERMS || this == CAPPED || this == CAPPED_BY_MONTH;
        }
    }

    /**
     * What one outcome earns.
     *
     * @param shares what it is worked out of; none where nothing is earned
     * @param minor in minor units, 0 or more
     * @param dueFrom the first day on which it may be paid
     */
    public record Line(
            Earning earning, List<CommissionTiers.Share> shares, long minor, Reason reason, LocalDate dueFrom) {
        public Line {
            shares = List.copyOf(shares);
        }

        /** In minor units. */
        public long baseMinor() {
            return shares.stream().mapToLong(CommissionTiers.Share::baseMinor).sum();
        }
    }

    public MonthCommission {
        lines = List.copyOf(lines);
    }

    /**
     * @param month all of the partner's outcomes of the month, in any order
     * @param terms those of a day; empty for a day without
     */
    public static MonthCommission of(List<Earning> month, Function<LocalDate, Optional<CommissionTerms>> terms) {
        List<Earning> inOrder = month.stream()
                .sorted(Comparator.comparing(Earning::day).thenComparing(Earning::outcome))
                .toList();
        MonthSoFar whole = MonthSoFar.NOTHING;
        for (Earning one : inOrder) {
            Optional<CommissionTerms> its = terms.apply(one.day());
            if (why(one, its) == Reason.BY_TERMS) {
                whole = whole.plus(its.orElseThrow().base().of(one.worth()));
            }
        }
        List<Line> lines = new ArrayList<>();
        Running running = new Running(MonthSoFar.NOTHING, whole, 0);
        for (Earning one : inOrder) {
            Line line = line(one, terms.apply(one.day()), running);
            lines.add(line);
            running = running.after(line);
        }
        return new MonthCommission(lines);
    }

    /** What came before in the month, what comes in all of it, and what was earned so far, in minor units. */
    private record Running(MonthSoFar before, MonthSoFar whole, long earnedMinor) {
        Running after(Line line) {
            return new Running(
                    line.reason().earns() ? before.plus(line.baseMinor()) : before, whole, earnedMinor + line.minor());
        }
    }

    private static Line line(Earning one, Optional<CommissionTerms> terms, Running running) {
        Reason why = why(one, terms);
        if (why != Reason.BY_TERMS) {
            return new Line(one, List.of(), 0, why, one.day());
        }
        CommissionTerms its = terms.orElseThrow();
        CommissionTiers tiers = Optional.ofNullable(its.rates().get(one.kind())).orElseThrow();
        List<CommissionTiers.Share> shares =
                tiers.shares(its.base().of(one.worth()), running.before(), running.whole());
        BigDecimal earned = shares.stream().map(CommissionTiers.Share::earned).reduce(BigDecimal.ZERO, BigDecimal::add);
        long capped = its.capped(earned);
        long left = Math.max(0, its.mostPerMonthMinor().orElse(Long.MAX_VALUE) - running.earnedMinor());
        Reason reason = capped > left ? Reason.CAPPED_BY_MONTH : its.isCapped(earned) ? Reason.CAPPED : why;
        return new Line(one, shares, Math.min(capped, left), reason, one.day().plusDays(its.heldDays()));
    }

    private static Reason why(Earning one, Optional<CommissionTerms> terms) {
        if (terms.isEmpty()) {
            return Reason.NO_TERMS;
        }
        if (!terms.get().rates().containsKey(one.kind())) {
            return Reason.NOT_AGREED;
        }
        if (!terms.get().base().counts(one.worth().items())) {
            return Reason.NOT_AMONG_ITEMS;
        }
        return terms.get().firstOnly() && !one.isFirst() ? Reason.NOT_FIRST : Reason.BY_TERMS;
    }

    /** In minor units. */
    public long totalMinor() {
        return lines.stream().mapToLong(Line::minor).sum();
    }
}

package wendo.app.compare;

import java.util.Optional;
import wendo.app.site.Figures;
import wendo.core.measure.Ceiling;
import wendo.core.measure.CostPer;
import wendo.core.measure.Judgement;
import wendo.core.measure.Verdict;

/** A row held against the most that an outcome may cost it. */
public record Judged(ComparedRow row, CostPer cost, Optional<Ceiling> ceiling) {

    private Optional<Judgement> judgement() {
        return ceiling.filter(held -> cost.spendMinor() > 0).map(held -> new Judgement(cost, held.minor()));
    }

    public Verdict verdict() {
        return judgement().map(Judgement::verdict).orElse(Verdict.TOO_EARLY);
    }

    /** Whether there is anything to judge: spend, and something to hold it against. */
    public boolean isPossible() {
        return judgement().isPresent();
    }

    /** Whether it earns or loses by something that was set. */
    boolean isDecided() {
        return isPossible() && !isByAverage() && verdict() != Verdict.TOO_EARLY;
    }

    private boolean isByAverage() {
        return ceiling.map(Ceiling::isAverage).orElse(true);
    }

    /** The verdict in words; against an average nobody earns or loses. */
    public String words() {
        return switch (verdict()) {
            case EARNING -> isByAverage() ? "clearly less than the average" : "earning";
            case LOSING -> isByAverage() ? "clearly more than the average" : "losing";
            case TOO_EARLY -> "too early to tell";
        };
    }

    /** What it is held against. */
    public String against(Figures figures) {
        return ceiling.map(held -> switch (held.basis()) {
                    case OF_SOURCE -> "may cost %s, as set for it".formatted(figures.money(held.minor()));
                    case OF_ALL -> "may cost %s".formatted(figures.money(held.minor()));
                    case BREAK_EVEN -> "breaks even at %s".formatted(figures.money(held.minor()));
                    case AVERAGE -> "costs %s on average".formatted(figures.money(held.minor()));
                })
                .orElse("");
    }

    /** What would settle it at the present rate; empty text when it is settled, or cannot be judged. */
    public String settles(Figures figures) {
        if (judgement().isEmpty() || verdict() != Verdict.TOO_EARLY) {
            return "";
        }
        Judgement judgement = judgement().get();
        if (judgement.settledAtTimes().isEmpty()) {
            return "not to be settled at the present rate: it costs about what it may";
        }
        String spend = figures.moneyShort(judgement.spendToSettleMinor().orElseThrow());
        long people = judgement.peopleToSettle(row.people()).orElseThrow();
        return "about %s more would settle it".formatted(spend)
                + (people > 0 ? ", or %s more people".formatted(figures.count(people)) : "");
    }
}

package wendo.app.compare.table;

import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.AgainstAverage;
import wendo.core.measure.Ceiling;
import wendo.core.measure.CostPer;
import wendo.core.measure.Judgement;
import wendo.core.measure.Verdict;

/**
 * A row held against the most that an outcome may cost it, or, where nothing is set, against the average.
 *
 * @param average how it stands to the average; empty for what has a target, or nothing to be held against
 */
public record Judged(ComparedRow row, CostPer cost, Optional<Ceiling> ceiling, Optional<AgainstAverage> average) {

    private Optional<Judgement> judgement() {
        return ceiling.filter(held -> cost.spendMinor() > 0).map(held -> new Judgement(cost, held.minor()));
    }

    /** Judged by a target or a break-even; without either nothing is decided. */
    public Verdict verdict() {
        return isByAverage()
                ? Verdict.TOO_EARLY
                : judgement().map(Judgement::verdict).orElse(Verdict.TOO_EARLY);
    }

    /** Whether there is anything to judge: spend, and something to hold it against. */
    public boolean isPossible() {
        return judgement().isPresent();
    }

    /** Whether it is judged by a target or a break-even, and decided. */
    public boolean isDecided() {
        return isPossible() && verdict() != Verdict.TOO_EARLY;
    }

    public boolean isByAverage() {
        return ceiling.map(Ceiling::isAverage).orElse(true);
    }

    /** The verdict in words; against an average nobody earns or loses. */
    public String words() {
        return isByAverage()
                ? average.map(one -> Texts.of("common.average-words", one.name().toLowerCase(Locale.ROOT)))
                        .orElse(Texts.of("compare.table.not-judged"))
                : Texts.of("common.verdict-word", verdict().name().toLowerCase(Locale.ROOT));
    }

    /** What it is drawn as: earning, losing, too_early, below, about or above. */
    public String shape() {
        String name = isByAverage()
                ? average.map(Enum::name).orElse("about")
                : verdict().name();
        return name.toLowerCase(Locale.ROOT);
    }

    /** What it is held against. */
    public String against(Figures figures) {
        return ceiling.map(held -> switch (held.basis()) {
                    case OF_SOURCE -> Texts.of("compare.table.limit-set-for-this-source", figures.money(held.minor()));
                    case OF_ALL -> Texts.of("compare.table.limit", figures.money(held.minor()));
                    case BREAK_EVEN -> Texts.of("compare.table.break-even", figures.money(held.minor()));
                    case AVERAGE -> Texts.of("compare.table.average", figures.money(held.minor()));
                })
                .orElse("");
    }

    /** What would settle it at the present rate; empty text when it is settled, or cannot be judged. */
    public String settles(Figures figures) {
        if (judgement().isEmpty() || isByAverage() || verdict() != Verdict.TOO_EARLY) {
            return "";
        }
        Judgement judgement = judgement().get();
        if (judgement.isAboutCeiling()) {
            return Texts.of("compare.table.costs-about-as-much-as");
        }
        if (judgement.settledAtTimes().isEmpty()) {
            return Texts.of("compare.table.so-far-the-cost-equals");
        }
        String spend = figures.moneyShort(judgement.spendToSettleMinor().orElseThrow())
                .replaceFirst("[.,]00(?=\\D*$)", ""); // advice has no pennies
        long people = judgement.peopleToSettle(row.people()).orElseThrow();
        return people > 0
                ? Texts.of("compare.table.needs-people", spend, figures.count(people))
                : Texts.of("compare.table.needs-spend", spend);
    }
}

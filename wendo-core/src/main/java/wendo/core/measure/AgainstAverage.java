package wendo.core.measure;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

/**
 * What an outcome costs at one of several, held against what it costs at all others. Without a target this is a search
 * among many, so it is corrected for their number. Ours.
 */
public enum AgainstAverage {
    BELOW,
    ABOUT,
    ABOVE;

    /** The greatest chance that anything at all is called clear in one look, while all cost the same. */
    public static final double LEVEL = 0.05;

    /**
     * Each of these against all others together, by the exact test of two Poisson means with Holm's correction.
     *
     * @param searched those that are asked about, in their order in the answer
     * @param all the sum of these and of others that may be there beside them
     */
    public static List<AgainstAverage> search(List<CostPer> searched, CostPer all) {
        List<CostPer> others = searched.stream().map(all::minus).toList();
        List<Double> adjusted = EqualRates.holm(IntStream.range(0, searched.size())
                .mapToObj(i -> pValue(searched.get(i), others.get(i)).orElse(1))
                .toList());
        return IntStream.range(0, searched.size())
                .mapToObj(i -> adjusted.get(i) > LEVEL ? ABOUT : side(searched.get(i), others.get(i)))
                .toList();
    }

    private static OptionalDouble pValue(CostPer one, CostPer others) {
        return CountRatio.pValue(one.count(), one.spendMinor(), others.count(), others.spendMinor());
    }

    /** More outcomes for the same money are cheaper ones. */
    private static AgainstAverage side(CostPer one, CostPer others) {
        return one.count().value() * others.spendMinor() > others.count().value() * one.spendMinor() ? BELOW : ABOVE;
    }
}

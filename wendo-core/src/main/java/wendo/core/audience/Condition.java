package wendo.core.audience;

/**
 * One thing that is so, or is not so, of somebody.
 *
 * @param holds false for everybody of whom it is not so
 */
public record Condition(boolean holds, Criterion criterion) implements AudienceRule {
    @Override
    public int depth() {
        return 1;
    }

    @Override
    public int conditions() {
        return 1;
    }
}

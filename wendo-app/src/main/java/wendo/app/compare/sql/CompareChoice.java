package wendo.app.compare.sql;

import java.util.Optional;
import java.util.function.Function;
import wendo.core.credit.ModelName;
import wendo.core.outcomes.OutcomeKind;

/**
 * What a comparison looks at, as it stands in the address beside the period. Controllers take it as a parameter.
 *
 * @param kind the outcome that groups are judged by
 */
public record CompareChoice(
        Grouping grouping,
        OutcomeKind kind,
        ModelName model,
        CreditClock clock,
        ComparedWith comparedWith,
        CompareOrder order,
        Revenue revenue) {
    /** The usual choice: what screens use that name one source for an outcome. */
    public static final ModelName USUAL_MODEL = ModelName.LAST_NON_DIRECT;

    public static CompareChoice usual() {
        return new CompareChoice(
                Grouping.SOURCE,
                OutcomeKind.BOOKING,
                USUAL_MODEL,
                CreditClock.OUTCOME,
                ComparedWith.NOTHING,
                CompareOrder.USUAL,
                Revenue.SALES);
    }

    /** Reads an address's parameters; what it does not know is as usual. */
    public static CompareChoice of(Function<String, Optional<String>> parameter) {
        CompareChoice usual = usual();
        return new CompareChoice(
                parameter.apply("by").flatMap(Grouping::find).orElse(usual.grouping()),
                parameter.apply("kind").flatMap(OutcomeKind::find).orElse(usual.kind()),
                parameter.apply("model").flatMap(ModelName::find).orElse(usual.model()),
                parameter.apply("clock").flatMap(CreditClock::find).orElse(usual.clock()),
                parameter.apply("with").flatMap(ComparedWith::find).orElse(usual.comparedWith()),
                parameter.apply("sort").flatMap(CompareOrder::find).orElse(usual.order()),
                parameter.apply("revenue").flatMap(Revenue::find).orElse(usual.revenue()));
    }

    public CompareChoice with(Grouping other) {
        return new CompareChoice(other, kind, model, clock, comparedWith, order, revenue);
    }

    public CompareChoice with(OutcomeKind other) {
        return new CompareChoice(grouping, other, model, clock, comparedWith, order, revenue);
    }

    public CompareChoice with(ModelName other) {
        return new CompareChoice(grouping, kind, other, clock, comparedWith, order, revenue);
    }

    public CompareChoice with(CreditClock other) {
        return new CompareChoice(grouping, kind, model, other, comparedWith, order, revenue);
    }

    public CompareChoice with(ComparedWith other) {
        return new CompareChoice(grouping, kind, model, clock, other, order, revenue);
    }

    public CompareChoice with(CompareOrder other) {
        return new CompareChoice(grouping, kind, model, clock, comparedWith, other, revenue);
    }

    public CompareChoice with(Revenue other) {
        return new CompareChoice(grouping, kind, model, clock, comparedWith, order, other);
    }

    /** The same, sorted as after a press on the heading of a column, told by its name. */
    public CompareChoice pressed(String columnName) {
        return with(order.pressed(CompareOrder.Column.valueOf(columnName)));
    }

    /** As it stands in an address, after a period. */
    public String query() {
        return "&by=%s&kind=%s&model=%s&clock=%s&with=%s"
                        .formatted(grouping.key(), kind.key(), model.key(), clock.key(), comparedWith.key())
                + (order.equals(CompareOrder.USUAL) ? "" : "&sort=" + order.key())
                + (revenue == Revenue.SALES ? "" : "&revenue=" + revenue.key());
    }
}

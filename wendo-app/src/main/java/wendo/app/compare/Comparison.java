package wendo.app.compare;

import java.util.List;

/**
 * Sources side by side. Every column of the total is the sum of the column; a person who came by two sources counts at
 * both, so {@code differentPeople} may be less than the total's people.
 */
public record Comparison(List<ComparedSource> rows, ComparedSource total, long differentPeople) {
    public Comparison {
        rows = List.copyOf(rows);
    }
}

/** Visits: their identifiers, how they are sorted, and how they join into touches. */
@NullMarked
package wendo.core.visits;

import org.jspecify.annotations.NullMarked;

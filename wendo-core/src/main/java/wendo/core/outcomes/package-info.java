/** Outcomes: leads, bookings and purchases, and the evidence of where they came from. */
@NullMarked
package wendo.core.outcomes;

import org.jspecify.annotations.NullMarked;

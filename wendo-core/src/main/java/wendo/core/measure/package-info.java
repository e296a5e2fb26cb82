/** Measures: rates, costs and spend over a period, each with its uncertainty. */
@NullMarked
package wendo.core.measure;

import org.jspecify.annotations.NullMarked;

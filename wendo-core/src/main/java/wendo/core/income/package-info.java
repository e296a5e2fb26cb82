/** Income: what partner networks pay for visits that were sent to them, weeks after they promise it. */
@NullMarked
package wendo.core.income;

import org.jspecify.annotations.NullMarked;

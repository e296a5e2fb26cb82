/** Partners: what an outcome earns them by the terms of its day. */
@NullMarked
package wendo.core.partners;

import org.jspecify.annotations.NullMarked;

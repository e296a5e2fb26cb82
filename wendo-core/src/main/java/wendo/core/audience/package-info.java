/** Audiences: people by what they did, as rules; the lists that ad desks match; and what a mailing may send to whom. */
@NullMarked
package wendo.core.audience;

import org.jspecify.annotations.NullMarked;

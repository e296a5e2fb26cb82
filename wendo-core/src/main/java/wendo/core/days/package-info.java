/** Days as people type them. */
@NullMarked
package wendo.core.days;

import org.jspecify.annotations.NullMarked;

/** Credit: which touch earned an outcome, under an attribution model, adding up exactly. */
@NullMarked
package wendo.core.credit;

import org.jspecify.annotations.NullMarked;

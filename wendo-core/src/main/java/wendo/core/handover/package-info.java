/** Who gets a lead, and when messages to it go out. */
@NullMarked
package wendo.core.handover;

import org.jspecify.annotations.NullMarked;

/** What each medium asks of a link: codes in print, text messages, the placeholders of sending systems. */
@NullMarked
package wendo.core.media;

import org.jspecify.annotations.NullMarked;

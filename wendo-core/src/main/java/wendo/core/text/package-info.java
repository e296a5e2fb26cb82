/** What the rules say to people: by key and values, so that each language finds its own words. */
@NullMarked
package wendo.core.text;

import org.jspecify.annotations.NullMarked;

/** Addresses: what a link is called, where it leads, and the tags it carries there. */
@NullMarked
package wendo.core.links;

import org.jspecify.annotations.NullMarked;

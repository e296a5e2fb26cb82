/** Small simulated outside services that ship with Wendo: the demo business's own website, a post office, a partner network. */
@NullMarked
package wendo.standins;

import org.jspecify.annotations.NullMarked;

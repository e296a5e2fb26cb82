/** Small simulated outside services that ship with Wendo: for now, the demo business's own website. */
@NullMarked
package wendo.standins;

import org.jspecify.annotations.NullMarked;

/** Seasons of an invented business whose truth is known. What they assume is told in docs/SIMULATION.md. */
@NullMarked
package wendo.simulation;

import org.jspecify.annotations.NullMarked;

/** The application, one package for each feature. */
@NullMarked
package wendo.app;

import org.jspecify.annotations.NullMarked;

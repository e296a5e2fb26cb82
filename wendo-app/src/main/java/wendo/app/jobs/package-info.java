/** Work that goes on without anybody waiting: kept in PostgreSQL, done once, by any process, also after a restart. */
@ApplicationModule(allowedDependencies = {})
@NullMarked
package wendo.app.jobs;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

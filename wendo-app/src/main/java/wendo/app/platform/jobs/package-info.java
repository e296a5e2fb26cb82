/** Work that goes on without anybody waiting: kept in PostgreSQL, done once, by any process, also after a restart. */
@ApplicationModule(allowedDependencies = {"platform.site"})
@NullMarked
package wendo.app.platform.jobs;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

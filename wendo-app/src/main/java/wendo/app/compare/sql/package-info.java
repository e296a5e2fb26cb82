/** What a comparison asks for, and the statements that count it. */
@ApplicationModule(allowedDependencies = {"credit", "money.spend", "platform.site"})
@NullMarked
package wendo.app.compare.sql;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;

package wendo.app.platform.business;

import java.sql.SQLException;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** What only one may have is decided by a unique key when it is stored, not by a look before. */
public final class UniqueKey {
    /** PostgreSQL's unique_violation (its documentation, appendix A). */
    private static final String UNIQUE_VIOLATION = "23505";

    private UniqueKey() {}

    /** Whether storing was refused because somebody has that already. Call it outside of a transaction. */
    public static boolean refuses(Runnable storing) {
        return stored(() -> {
                    storing.run();
                    return true;
                })
                .isEmpty();
    }

    /** What storing answers; empty if it was refused because somebody has that already. */
    public static <T> Optional<T> stored(Supplier<T> storing) {
        try {
            return Optional.of(storing.get());
        } catch (RuntimeException e) {
            if (isRefused(e)) {
                return Optional.empty();
            }
            throw e;
        }
    }

    private static boolean isRefused(@Nullable Throwable fault) {
        for (Throwable one = fault; one != null; one = one.getCause()) {
            if (one instanceof SQLException sql && UNIQUE_VIOLATION.equals(sql.getSQLState())) {
                return true;
            }
        }
        return false;
    }
}

package wendo.app.platform.accounts;

import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Who this thread works for: a person, or a program with a key. Jobs work for nobody.
 *
 * @param id of the person; empty for a program
 */
public record Actor(Optional<UUID> id, String name) {
    private static final ThreadLocal<@Nullable Actor> CURRENT = new ThreadLocal<>();

    public static Optional<Actor> current() {
        return Optional.ofNullable(CURRENT.get());
    }

    static void set(Actor actor) {
        CURRENT.set(actor);
    }

    static void clear() {
        CURRENT.remove();
    }
}

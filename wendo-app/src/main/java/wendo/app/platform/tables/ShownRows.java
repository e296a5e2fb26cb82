package wendo.app.platform.tables;

import org.jspecify.annotations.Nullable;

/** Which rows of a file an address asks for. */
public record ShownRows(@Nullable String show, @Nullable Integer from) {
    /** The fate that they share; empty text for all. */
    public String fate() {
        return show == null ? "" : show;
    }

    /** The line that they begin with. */
    public int firstLine() {
        return from == null ? 0 : from;
    }
}

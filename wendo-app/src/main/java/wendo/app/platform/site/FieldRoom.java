package wendo.app.platform.site;

import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** How many characters a page's field takes. */
@Component("room")
public class FieldRoom {
    /** The same for a text whose limit has a name, one of {@link Limits}. */
    public int of(String limit) {
        try {
            return withRoom(Limits.class.getField(limit).getInt(null));
        } catch (ReflectiveOperationException e) {
            throw new IllegalArgumentException("There is no limit called " + limit, e);
        }
    }

    /** A fifth more than may be kept, so that pasting too much is told instead of being cut off silently. */
    public int of(Record form, String field) {
        return withRoom(FormRules.most(form.getClass(), field));
    }

    /** Null, and so no attribute at all, for a field whose limit has neither a name nor a form. */
    public @Nullable Integer of(@Nullable String limit, @Nullable Record form, String field) {
        if (limit != null) {
            return of(limit);
        }
        return form == null ? null : Integer.valueOf(of(form, field));
    }

    private static int withRoom(int limit) {
        return limit * 6 / 5;
    }
}

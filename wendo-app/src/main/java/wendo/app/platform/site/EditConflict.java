package wendo.app.platform.site;

import java.lang.reflect.RecordComponent;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.http.HttpStatus;
import org.springframework.web.servlet.ModelAndView;

/**
 * Somebody else changed what was being edited. The answer is the same form with what was typed; beside each field that
 * differs stands what the other person wrote, and one button takes either.
 */
public final class EditConflict {
    private static final int MOST_SHOWN = 200;

    /** Values that stand for a choice and mean nothing to a reader: identifiers, yes and no. */
    private static final Pattern UNREADABLE =
            Pattern.compile("true|false|(?:[a-z]+:)?[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}");

    private EditConflict() {}

    /**
     * The form again. Its {@code version} has to be the stored one by now, so that saving once more keeps what was typed.
     *
     * @param back where the stored values stand: there leads the button that takes them
     */
    public static ModelAndView of(ModelAndView page, String back) {
        page.setStatus(HttpStatus.CONFLICT);
        return page.addObject("conflict", back);
    }

    /** What stands beside the fields that differ, by the name of the field. */
    public static Map<String, String> marks(TypedFields typed, Map<String, String> stored) {
        return marks(typed.firstValues(), stored);
    }

    /** The same. */
    public static Map<String, String> marks(Map<String, String> typed, Map<String, String> stored) {
        Map<String, String> marks = new LinkedHashMap<>();
        stored.forEach((field, theirs) -> {
            if (!typed.getOrDefault(field, "").strip().equals(theirs.strip())) {
                marks.put(field, mark(theirs.strip()));
            }
        });
        return marks;
    }

    /** The same of two records that say what was typed and what is stored. */
    public static Map<String, String> marks(Record typed, Record stored) {
        return marks(fields(typed), fields(stored));
    }

    private static String mark(String theirs) {
        if (theirs.isEmpty()) {
            return Texts.of("platform.site.somebody-else-emptied-this-meanwhile");
        }
        if (UNREADABLE.matcher(theirs).matches()) {
            return Texts.of("platform.site.somebody-else-changed-this-meanwhile");
        }
        String shown = theirs.length() <= MOST_SHOWN ? theirs : theirs.substring(0, MOST_SHOWN) + "…";
        return Texts.of("platform.site.somebody-else-changed-this-to", shown);
    }

    private static Map<String, String> fields(Record form) {
        Map<String, String> fields = new LinkedHashMap<>();
        try {
            for (RecordComponent component : form.getClass().getRecordComponents()) {
                component.getAccessor().setAccessible(true); // forms are not public
                Object value = component.getAccessor().invoke(form);
                fields.put(component.getName(), text(value));
            }
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
        return fields;
    }

    private static String text(Object value) {
        return value instanceof Optional<?> some
                ? some.map(String::valueOf).orElse("")
                : value instanceof Map<?, ?> ? "" : String.valueOf(value);
    }
}

package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import wendo.core.days.TypedDay;

/**
 * Lets every field of a day take what people type: where it can be read as a day it arrives as ISO 8601 writes it, and
 * anything else as it was typed, for the form to refuse. One place for all forms; days are the fields that have these
 * names.
 */
final class DayParameters extends HttpServletRequestWrapper {
    private static final Pattern DAYS =
            Pattern.compile("firstDay|lastDay|placedOn|endsOn|day|from|to|until|(?:from|until)\\..+");

    private final Supplier<TypedDay> reader;

    /** @param reader asked only where a field of a day holds something */
    DayParameters(HttpServletRequest request, Supplier<TypedDay> reader) {
        super(request);
        this.reader = reader;
    }

    @Override
    public @Nullable String getParameter(String name) {
        String[] values = getParameterValues(name);
        return values == null || values.length == 0 ? null : values[0];
    }

    @Override
    public String @Nullable [] getParameterValues(String name) {
        String[] values = super.getParameterValues(name);
        return values == null || !DAYS.matcher(name).matches()
                ? values
                : Arrays.stream(values).map(this::asDay).toArray(String[]::new);
    }

    @Override
    public Map<String, String[]> getParameterMap() {
        Map<String, String[]> read = new LinkedHashMap<>();
        super.getParameterMap().keySet().forEach(name -> {
            String[] values = getParameterValues(name);
            if (values != null) {
                read.put(name, values);
            }
        });
        return read;
    }

    private String asDay(String typed) {
        return typed.isBlank()
                ? typed
                : reader.get().find(typed).map(LocalDate::toString).orElse(typed);
    }
}

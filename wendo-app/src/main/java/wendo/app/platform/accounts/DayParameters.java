package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import wendo.core.days.TypedDay;

/**
 * Lets every field of a day take what people type: where it can be read as a day it arrives as ISO 8601 writes it, and
 * anything else as it was typed, for the form to refuse. One place for all forms; days are the fields that have these
 * names.
 */
final class DayParameters extends HttpServletRequestWrapper {
    private static final Pattern DAYS = Pattern.compile(
            "firstDay|lastDay|placedOn|endsOn|payOn|paidOn|day|from|to|until|(?:from|until)\\..+|\\w+\\.day");

    /** Two fields that are one moment are named by it, with these behind. */
    private static final String DAY = ".day";

    private static final String TIME = ".time";
    private static final Pattern CLOCK = Pattern.compile("(\\d{1,2})(?:[:.h ]?(\\d{2}))?\\s*(?:([ap])\\.?m\\.?)?");

    private final Supplier<TypedDay> reader;

    /** Whether a field of this name is one of a day. */
    static boolean isDay(String name) {
        return DAYS.matcher(name).matches();
    }

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
        if (values == null) {
            return moment(name).map(moment -> new String[] {moment}).orElse(null);
        }
        return values == null || !isDay(name)
                ? values
                : Arrays.stream(values).map(this::asDay).toArray(String[]::new);
    }

    @Override
    public Map<String, String[]> getParameterMap() {
        Map<String, String[]> read = new LinkedHashMap<>();
        Set<String> names = new LinkedHashSet<>(super.getParameterMap().keySet());
        super.getParameterMap().keySet().stream()
                .filter(name -> name.endsWith(DAY))
                .forEach(name -> names.add(name.substring(0, name.length() - DAY.length())));
        names.forEach(name -> {
            String[] values = getParameterValues(name);
            if (values != null) {
                read.put(name, values);
            }
        });
        return read;
    }

    /** A day and a time from two fields, as ISO 8601 writes them together; without a time the day's beginning. */
    private Optional<String> moment(String name) {
        String[] days = super.getParameterValues(name + DAY);
        if (days == null || days.length == 0) {
            return Optional.empty();
        }
        String[] times = super.getParameterValues(name + TIME);
        String time = times == null || times.length == 0 ? "" : times[0];
        return Optional.of(days[0].isBlank() && time.isBlank() ? "" : asDay(days[0]) + "T" + asTime(time));
    }

    /** 9, 9:30, 9.30, 0930, 2 pm; anything else as it was typed. */
    private static String asTime(String typed) {
        if (typed.isBlank()) {
            return "00:00";
        }
        Matcher clock = CLOCK.matcher(typed.strip().toLowerCase(Locale.ROOT));
        if (!clock.matches()) {
            return typed;
        }
        int hour = Integer.parseInt(clock.group(1));
        int minute = clock.group(2) == null ? 0 : Integer.parseInt(clock.group(2));
        String half = clock.group(3) == null ? "" : clock.group(3);
        boolean isHalf = !half.isEmpty();
        boolean isTime = minute < 60 && (isHalf ? hour >= 1 && hour <= 12 : hour < 24);
        int whole = isHalf ? hour % 12 + (half.equals("p") ? 12 : 0) : hour;
        return isTime ? "%02d:%02d".formatted(whole, minute) : typed;
    }

    private String asDay(String typed) {
        return typed.isBlank()
                ? typed
                : reader.get().find(typed).map(LocalDate::toString).orElse(typed);
    }
}

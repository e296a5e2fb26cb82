package wendo.app.platform.site;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.web.util.UriComponentsBuilder;

/** Filters of lists as they stand in an address. What makes no sense holds back nothing. */
public final class FilterValues {
    private static final int MAX_TEXT = Limits.SEARCH;

    private FilterValues() {}

    public static String text(String typed) {
        return typed.length() <= MAX_TEXT ? typed : typed.substring(0, MAX_TEXT);
    }

    public static Optional<UUID> id(String typed) {
        try {
            return Optional.of(UUID.fromString(typed));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    public static <E extends Enum<E>> Optional<E> one(E[] all, String key) {
        return Arrays.stream(all).filter(value -> key(value).equals(key)).findFirst();
    }

    public static String key(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }

    /** The part of an address that says these, in their order; empty ones are left out. */
    public static String query(Map<String, String> values) {
        Map<String, String> said = new LinkedHashMap<>(values);
        said.values().removeIf(String::isEmpty);
        UriComponentsBuilder query = UriComponentsBuilder.newInstance();
        said.keySet().forEach(name -> query.queryParam(name, "{" + name + "}"));
        String written = query.encode().buildAndExpand(said).getQuery();
        return written == null ? "" : written;
    }

    /** The same part of an address without one of its values. */
    public static String without(String query, String name) {
        return Arrays.stream(query.split("&", -1))
                .filter(pair -> !pair.startsWith(name + "="))
                .collect(Collectors.joining("&"));
    }

    /** What stands between the wildcards of a LIKE, so that it is taken letter for letter. */
    public static String needle(String typed) {
        return typed.strip()
                .toLowerCase(Locale.ROOT)
                .replace("\\", "\\\\")
                .replace("%", "\\%")
                .replace("_", "\\_");
    }
}

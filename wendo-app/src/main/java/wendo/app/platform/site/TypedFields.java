package wendo.app.platform.site;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;

/**
 * What a form or an address sent, by the name of the field. Forms whose fields are always the same are records of their
 * own; this is for those whose fields depend on what there is: rows, channels, purposes, columns.
 */
public record TypedFields(MultiValueMap<String, String> sent) {
    public static TypedFields none() {
        return new TypedFields(new LinkedMultiValueMap<>());
    }

    public static TypedFields of(Map<String, String> values) {
        return new TypedFields(MultiValueMap.fromSingleValue(values));
    }

    /** Without the spaces around it; empty text where nothing was sent. */
    public String text(String field) {
        return raw(field).strip();
    }

    /** With the spaces around it. */
    public String raw(String field) {
        String first = sent.getFirst(field);
        return first == null ? "" : first;
    }

    /** @param otherwise what stands there where nothing was sent */
    public String text(String field, String otherwise) {
        return isSent(field) ? text(field) : otherwise;
    }

    /** The values of a field that was sent several times. */
    public List<String> all(String field) {
        return sent.getOrDefault(field, List.of());
    }

    /** The rows that were ticked, each once; what is no identifier is left out. */
    public List<UUID> ids(String field, int most) {
        return all(field).stream()
                .flatMap(id -> FilterValues.id(id).stream())
                .distinct()
                .limit(most)
                .toList();
    }

    public boolean isSent(String field) {
        return sent.containsKey(field);
    }

    public boolean is(String field, String value) {
        return text(field).equals(value);
    }

    /** The fields that begin so, by the rest of their names. */
    public Map<String, String> behind(String prefix) {
        Map<String, String> behind = new LinkedHashMap<>();
        sent.keySet().stream()
                .filter(field -> field.startsWith(prefix))
                .forEach(field -> behind.put(field.substring(prefix.length()), text(field)));
        return behind;
    }

    public Map<String, String> firstValues() {
        return Map.copyOf(sent.toSingleValueMap());
    }
}

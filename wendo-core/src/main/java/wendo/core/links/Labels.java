package wendo.core.links;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The labels of a business's links. A slash nests them as folders are: {@code Season/Spring} lies in {@code Season}. Two
 * spellings whose parts have equal tags are one label: the one in use. Ours.
 */
public final class Labels {
    private static final String SLASH = "/";

    private final Map<String, String> known = new HashMap<>();

    /** @param inUse labels as they are spelled now */
    public Labels(Collection<String> inUse) {
        for (String label : inUse) {
            List<String> parts = parts(label);
            for (int end = 1; end <= parts.size(); end++) {
                List<String> outer = parts.subList(0, end);
                known.putIfAbsent(key(outer), String.join(SLASH, outer));
            }
        }
    }

    /** All of them and those that they lie in, as they are spelled. */
    public List<String> all() {
        return known.values().stream().sorted(String.CASE_INSENSITIVE_ORDER).toList();
    }

    /** Whether anything would be left of this spelling. */
    public static boolean isPossible(String text) {
        return !parts(text).isEmpty();
    }

    /** As it is spelled in use, or, of a new one, as it was typed inside of the labels that are in use. */
    public String spelled(String text) {
        String spelled = "";
        List<String> parts = parts(text);
        for (int end = 1; end <= parts.size(); end++) {
            String typed = (spelled.isEmpty() ? "" : spelled + SLASH) + parts.get(end - 1);
            spelled = known.getOrDefault(key(parts.subList(0, end)), typed);
        }
        return spelled;
    }

    private static List<String> parts(String text) {
        List<String> parts = new ArrayList<>();
        Arrays.stream(text.split(SLASH, -1))
                .map(String::strip)
                .filter(Tag::isPossible)
                .forEach(parts::add);
        return parts;
    }

    private static String key(List<String> parts) {
        return String.join(
                SLASH, parts.stream().map(part -> Tag.of(part).value()).toList());
    }
}

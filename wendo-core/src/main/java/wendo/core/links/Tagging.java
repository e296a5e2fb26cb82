package wendo.core.links;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * A destination with a link's parameters in its query. The existing query keeps its order and spelling, a fragment
 * stays last, and a parameter of the same name on the destination gives way to the link's.
 *
 * @param address the tagged address
 * @param replaced names of the destination's own parameters that gave way, in the order they stood
 */
public record Tagging(WebAddress address, List<String> replaced) {

    public Tagging {
        replaced = List.copyOf(replaced);
    }

    public static Tagging of(WebAddress destination, Map<String, String> parameters) {
        List<String> kept = new ArrayList<>();
        List<String> replaced = new ArrayList<>();
        String query = destination.query();
        for (String pair :
                query.length() <= 1 ? new String[0] : query.substring(1).split("&", -1)) {
            String name = name(pair);
            if (parameters.containsKey(name)) {
                replaced.add(name);
            } else {
                kept.add(pair);
            }
        }
        parameters.forEach((name, value) -> kept.add(name + "=" + encode(value)));
        return new Tagging(destination.withQuery(kept.isEmpty() ? "" : "?" + String.join("&", kept)), replaced);
    }

    /** A parameter's name as those who read it will: escapes undone, a plus for a space (URL Standard, section 5.1). */
    private static String name(String pair) {
        int equals = pair.indexOf('=');
        return Percent.decode((equals < 0 ? pair : pair.substring(0, equals)).replace('+', ' '));
    }

    /** The address without the parameters of this name. */
    public static WebAddress drop(WebAddress address, String name) {
        String query = Arrays.stream(address.query().replaceFirst("^\\?", "").split("&", -1))
                .filter(pair -> !name(pair).equals(name))
                .collect(Collectors.joining("&"));
        return address.withQuery(query.isEmpty() ? "" : "?" + query);
    }

    /** An address in normal form with one more parameter behind its query; cheap, for each redirect. */
    public static String append(String normalAddress, String name, String plainValue) {
        int hash = normalAddress.indexOf('#');
        String base = hash < 0 ? normalAddress : normalAddress.substring(0, hash);
        String fragment = hash < 0 ? "" : normalAddress.substring(hash);
        return base + (base.indexOf('?') < 0 ? "?" : "&") + name + "=" + plainValue + fragment;
    }

    /** Parameters as they stand in a query, without the question mark; {@link #read} reads them again. */
    public static String write(Map<String, String> parameters) {
        return parameters.entrySet().stream()
                .map(parameter -> parameter.getKey() + "=" + encode(parameter.getValue()))
                .collect(Collectors.joining("&"));
    }

    public static Map<String, String> read(String written) {
        Map<String, String> parameters = new LinkedHashMap<>();
        for (String pair : written.isEmpty() ? new String[0] : written.split("&", -1)) {
            int equals = pair.indexOf('=');
            parameters.put(
                    pair.substring(0, equals),
                    java.net.URLDecoder.decode(pair.substring(equals + 1), StandardCharsets.UTF_8));
        }
        return parameters;
    }

    private static String encode(String value) {
        return java.net.URLEncoder.encode(value, StandardCharsets.UTF_8).replace("+", "%20");
    }
}

package wendo.app.platform.site;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Objects;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.web.util.HtmlUtils;

/** A page of a link host: text with names in braces, filled without a template engine. */
public record HostTemplate(String page) {
    private static final Pattern NAME = Pattern.compile("\\{([a-z-]+)}");

    /** @param file beside the class whose page it is */
    public static HostTemplate read(Class<?> of, String file) {
        try (InputStream in = of.getResourceAsStream(file)) {
            return new HostTemplate(new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Each value escaped, and not searched for names in its turn. A line that names a value which is empty is left out.
     */
    public String filled(Map<String, String> values) {
        return page.lines()
                .filter(line -> NAME.matcher(line)
                        .results()
                        .noneMatch(
                                name -> values.getOrDefault(name.group(1), "").isEmpty()))
                .map(line -> NAME.matcher(line).replaceAll(name -> Matcher.quoteReplacement(escaped(values, name))))
                .collect(Collectors.joining("\n", "", "\n"));
    }

    private static String escaped(Map<String, String> values, MatchResult name) {
        return HtmlUtils.htmlEscape(values.getOrDefault(name.group(1), ""), StandardCharsets.UTF_8.name());
    }
}

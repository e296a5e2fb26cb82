package wendo.app.linkhost.redirect;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.web.util.HtmlUtils;

/** A page of a link host: text with names in braces, filled without a template engine. */
record HostTemplate(String page) {
    private static final Pattern NAME = Pattern.compile("\\{([a-z-]+)}");

    /** @param file beside this class */
    static HostTemplate read(String file) {
        try (InputStream in = HostTemplate.class.getResourceAsStream(file)) {
            return new HostTemplate(new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Each value escaped, and not searched for names in its turn. */
    String filled(Map<String, String> values) {
        return NAME.matcher(page)
                .replaceAll(name -> Matcher.quoteReplacement(
                        HtmlUtils.htmlEscape(values.getOrDefault(name.group(1), ""), StandardCharsets.UTF_8.name())));
    }
}

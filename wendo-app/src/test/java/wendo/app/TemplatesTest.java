package wendo.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.jsoup.parser.Parser;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class TemplatesTest {
    private static final Path ROOT = Path.of("src/main/java/wendo/app");
    private static final Pattern FRAGMENT = Pattern.compile("~\\{\\s*([a-z]+/[a-z]+)/");
    private static final Pattern INLINE = Pattern.compile(
            "<[^>]+\\s(style|on[a-z]+|hx-on[^=]*)=|<style|<script(?![^>]*src)", Pattern.CASE_INSENSITIVE);

    private static final Pattern DEFINED = Pattern.compile("th:fragment=\"([a-z]+)[\"(]");

    private static final Pattern POSTING = Pattern.compile("<form[^>]+method=\"post\"[^>]*>");

    static List<Path> templates() throws IOException {
        try (var files = Files.walk(ROOT)) {
            return files.filter(path -> path.toString().endsWith(".html")).toList();
        }
    }

    @ParameterizedTest
    @MethodSource("templates")
    void a_template_is_a_page_of_its_own_and_uses_only_what_its_module_may(Path template) throws IOException {
        String html = Files.readString(template);
        assertThat(html).startsWith("<!doctype html>");
        Path folder = Objects.requireNonNull(template.getParent());
        String module = ROOT.relativize(folder).toString();
        String allowed = Files.readString(folder.resolve("package-info.java"));
        Matcher fragment = FRAGMENT.matcher(html);
        while (fragment.find()) {
            String other = fragment.group(1);
            assertThat(other.equals(module) || allowed.contains('"' + other.replace('/', '.') + '"'))
                    .as("%s uses a fragment of %s", template, other)
                    .isTrue();
        }
    }

    @ParameterizedTest
    @MethodSource("templates")
    void nothing_in_a_template_needs_a_laxer_security_policy(Path template) throws IOException {
        assertThat(INLINE.matcher(Files.readString(template))
                        .results()
                        .map(found -> found.group())
                        .toList())
                .isEmpty();
    }

    /** Thymeleaf replaces first: a condition on the same element is never asked (Thymeleaf 3.1, attribute precedence). */
    @ParameterizedTest
    @MethodSource("templates")
    void whether_a_fragment_stands_there_is_asked_around_it(Path template) throws IOException {
        assertThat(Jsoup.parse(Files.readString(template), "", Parser.xmlParser())
                        .getAllElements())
                .noneMatch(one -> one.hasAttr("th:replace") && (one.hasAttr("th:if") || one.hasAttr("th:unless")));
    }

    @ParameterizedTest
    @MethodSource("templates")
    void a_line_can_be_read_without_moving_sideways(Path template) throws IOException {
        assertThat(Files.readAllLines(template))
                .allSatisfy(line -> assertThat(line).hasSizeLessThanOrEqualTo(160));
    }

    /** What a rule checks and what a field takes are one figure. */
    @ParameterizedTest
    @MethodSource("templates")
    void a_field_takes_its_room_from_the_limits(Path template) throws IOException {
        assertThat(Files.readString(template)).doesNotContainPattern("\\smaxlength=|most=\\d");
    }

    /** Only th:action brings the token along that a form of somebody signed in needs. Open pages have no session. */
    @ParameterizedTest
    @MethodSource("templates")
    void a_form_that_changes_something_carries_its_token(Path template) throws IOException {
        boolean isOpen = template.getFileName().toString().matches("(open|phone).*");
        assertThat(POSTING.matcher(Files.readString(template))
                        .results()
                        .map(found -> found.group())
                        .filter(form -> !isOpen && !form.contains("th:action"))
                        .toList())
                .isEmpty();
    }

    /** A fragment is asked for by its name or by an element's: one called as an element brings all such elements along. */
    @ParameterizedTest
    @MethodSource("templates")
    void a_fragment_is_not_taken_for_an_element_beside_it(Path template) throws IOException {
        String html = Files.readString(template);
        assertThat(DEFINED.matcher(html)
                        .results()
                        .map(found -> found.group(1))
                        .filter(name -> html.split("<" + name + "\\b", -1).length > 2)
                        .toList())
                .isEmpty();
    }

    /** Who reads a page aloud is told its language (WCAG 2.2, 3.1.1); inside of the application the layout says it. */
    @ParameterizedTest
    @MethodSource("templates")
    void a_page_with_a_head_of_its_own_says_its_language(Path template) throws IOException {
        String html = Files.readString(template);
        if (html.contains("<head")) {
            assertThat(html).containsPattern("<html (th:)?lang=\"[$#{]");
        }
    }
}

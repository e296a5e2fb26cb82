package wendo.app.platform.site;

import static java.util.stream.Collectors.joining;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.text.MessagePattern;
import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Attribute;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.TextNode;
import org.jsoup.parser.Parser;
import org.junit.jupiter.api.Test;

/** Texts stand in the bundles, in each language, and every one of them is shown somewhere. */
class TextsTest {
    private static final Path SOURCES = Path.of("src/main/java");

    /** Pages that are no templates: they are filled in where no template can be. */
    private static final Set<String> NO_TEMPLATES = Set.of("dead-end.html", "share-card.html");

    private static final Pattern USED = Pattern.compile(
            "#\\{([a-z][\\w.-]*)|(?:msg|counted)\\([^\"]*?'([a-z]+\\.[\\w.-]+)'|Texts\\.of\\(\\s*\"([\\w.-]+)\"");
    private static final Pattern KEY = Pattern.compile("\"([a-z]+(?:\\.[a-z0-9-]+)+)\"");
    private static final Pattern BARE = Pattern.compile("#\\{([a-z][\\w.-]*)}|msg\\('([\\w.-]+)'\\)");
    private static final Pattern WORD = Pattern.compile("\\p{L}{2}");
    private static final Pattern INLINE = Pattern.compile("\\[\\[.*?]]", Pattern.DOTALL);
    private static final Pattern LITERAL = Pattern.compile("'([^']*)'");
    private static final Pattern SENTENCE = Pattern.compile("\\p{L} \\p{L}|^\\p{Lu}\\p{Ll}+$|^ \\p{L}");
    private static final Pattern STRING = Pattern.compile("\"((?:[^\"\\\\\\n]|\\\\.)*)\"");
    private static final Pattern SPOKEN = Pattern.compile("^\\p{Lu}\\p{Ll}+,? [\\p{Ll}%]|\\p{L} \\p{L}.*[.!?]$");
    private static final Pattern NO_TEXT = Pattern.compile("\"{3}.*?\"{3}|/\\*.*?\\*/|(?m://.*$)", Pattern.DOTALL);
    private static final Pattern JOINED = Pattern.compile("\"\\s*\\+\\s*\"");
    private static final Pattern FOR_OPERATORS = Pattern.compile(
            "LOG\\.|(Illegal\\w+|Unchecked\\w+|Missing\\w+|Transaction\\w+|WrongSetting)\\w*\\(|jdbc|\\bset \\w+ = \\?|orElseThrow|requireNonNull");
    private static final Pattern FOR_PROGRAMS = Pattern.compile(
            "Api\\w*\\.java|Calls\\.java|ReportBody|IdempotencyKeys|Postbacks|MessageNews|Landings|BodyReader|CallLimit|RequestGuard|WendoApplication|desk/demo/");
    private static final Set<String> SHOWN = Set.of("placeholder", "aria-label", "title", "alt", "data-label");
    private static final Set<String> NOT_SPOKEN = Set.of("script", "style", "code", "kbd", "samp");

    private static final Map<Path, String> TEMPLATES = sources(".html");

    @Test
    void a_number_stands_with_the_noun_that_its_language_asks_for() {
        assertThat(Texts.of("count.people", 1, "1")).isEqualTo("1 person");
        assertThat(Texts.of("count.people", 1128, "1,128")).isEqualTo("1,128 people");
    }

    @Test
    void who_reads_neither_language_reads_english() {
        assertThat(Texts.in(Locale.JAPANESE, "common.save")).isEqualTo("Save");
    }

    @Test
    void a_key_without_a_text_is_told() {
        assertThatThrownBy(() -> Texts.of("no.such.text"))
                .isInstanceOf(MissingResourceException.class)
                .hasMessageContaining("no.such.text");
    }

    @Test
    void every_text_that_is_asked_for_is_there_and_none_is_there_for_nothing() {
        Set<String> known = ours().keySet();
        Set<String> used = new TreeSet<>();
        for (String source : concat(TEMPLATES.values(), sources(".java").values())) {
            USED.matcher(source).results().forEach(found -> used.add(first(found)));
            KEY.matcher(source)
                    .results()
                    .map(found -> found.group(1))
                    .filter(known::contains)
                    .forEach(used::add);
        }
        assertThat(used.stream().filter(key -> !known.contains(key)))
                .as("asked for, but not there")
                .isEmpty();
        assertThat(known.stream().filter(key -> !used.contains(key)))
                .as("there, but never asked for")
                .isEmpty();
    }

    /** Without what the rules say, which is tested with them. */
    private static Map<String, String> ours() {
        Map<String, String> ours = new HashMap<>(Texts.all(Locale.ENGLISH));
        ours.keySet().removeIf(key -> key.startsWith(Texts.CORE));
        return ours;
    }

    @Test
    void every_text_of_a_public_page_is_there_in_seven_languages() {
        Map<String, String> english = ours();
        Set<String> asked = askedInPublic(english.keySet());
        for (Locale language : Texts.PUBLIC) {
            if (!Texts.OFFERED.contains(language)) {
                Map<String, String> own = new HashMap<>(Texts.all(language));
                own.keySet().removeIf(key -> key.startsWith(Texts.CORE));
                assertThat(own.keySet()).as(language.getLanguage()).isEqualTo(asked);
                own.forEach((key, text) -> assertThat(values(english.getOrDefault(key, "")))
                        .as(language + " " + key)
                        .containsAll(values(text)));
            }
        }
    }

    /** By the pages that a business's own customers see, what fills them in, and the foot of mails. */
    private static Set<String> askedInPublic(Set<String> known) {
        Pattern files = Pattern.compile(
                ".*/(open[a-z-]*\\.html|Filled\\.java|FormIntake\\.java|FormField\\.java|OptInController\\.java|TermsWords\\.java|TermsWay\\.java"
                        + "|ClaimForm\\.java|RegistrationForm\\.java|Registrations\\.java|OpenRegistrationController\\.java|PageKeys\\.java|ExchangeNews\\.java|OpenExchangeController\\.java"
                        + "|CrossCheckWords\\.java|Disclosures\\.java|OpenCountsController\\.java|OpenReport\\.java|DeadEnd\\.java|TagPage\\.java|(Confirmation)?Mail\\.java|SignUpController\\.java"
                        + "|compare/(report/report[a-z-]*\\.html|table/parts\\.html|(verdict|table|sql)/\\w+(?<!Controller)\\.java"
                        + "|experiments/Pairs?\\.java))");
        Pattern key = Pattern.compile("[a-z]+(?:\\.[a-z0-9-]+)+");
        Set<String> asked = new TreeSet<>();
        Map<Path, String> all = new HashMap<>(TEMPLATES);
        all.putAll(sources(".java"));
        all.forEach((file, source) -> {
            if (files.matcher(file.toString()).matches()) {
                key.matcher(source)
                        .results()
                        .map(MatchResult::group)
                        .filter(known::contains)
                        .forEach(asked::add);
            }
        });
        asked.removeIf(one -> one.startsWith("platform.sending.") && !one.matches(".*(open-stop|mail-foot).*"));
        return asked;
    }

    private static List<String> concat(Collection<String> templates, Collection<String> code) {
        return Stream.of(templates, code).flatMap(Collection::stream).toList();
    }

    @Test
    void a_text_that_has_places_for_values_is_never_shown_without_them() {
        Map<String, String> english = Texts.all(Locale.ENGLISH);
        List<String> bare = new ArrayList<>();
        TEMPLATES.forEach((file, source) -> BARE.matcher(source)
                .results()
                .map(found -> found.group(1) == null ? found.group(2) : found.group(1))
                .filter(key -> !values(english.getOrDefault(key, "")).isEmpty())
                .forEach(key -> bare.add(file.getFileName() + ": " + key)));
        assertThat(bare).isEmpty();
    }

    private static String first(MatchResult found) {
        return Stream.of(found.group(1), found.group(2), found.group(3))
                .filter(key -> key != null)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void german_has_every_text_with_the_same_values() {
        Map<String, String> english = ours();
        Map<String, String> german = own("_de");
        assertThat(german).containsOnlyKeys(english.keySet());
        english.forEach((key, text) ->
                assertThat(values(german.getOrDefault(key, ""))).as(key).isEqualTo(values(text)));
    }

    /** What a language says itself, without what it would take from English. */
    private static Map<String, String> own(String language) {
        Map<String, String> own = new HashMap<>();
        for (String bundle : Texts.BUNDLES) {
            Properties read = new Properties();
            Path file = Path.of("src/main/resources/messages", bundle + language + ".properties");
            try (Reader reader = Files.newBufferedReader(file)) {
                read.load(reader);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            read.forEach((key, text) -> own.put((String) key, (String) text));
        }
        return own;
    }

    private static Set<Integer> values(String text) {
        MessagePattern pattern = new MessagePattern(text);
        Set<Integer> values = new TreeSet<>();
        for (int i = 0; i < pattern.countParts(); i++) {
            if (pattern.getPartType(i) == MessagePattern.Part.Type.ARG_NUMBER) {
                values.add(pattern.getPart(i).getValue());
            }
        }
        return values;
    }

    @Test
    void no_template_has_a_text_of_its_own() {
        List<String> outside = new ArrayList<>();
        TEMPLATES.forEach((file, source) -> {
            for (Element element : Jsoup.parse(source, "", Parser.xmlParser()).getAllElements()) {
                attributes(element).forEach(text -> outside.add(file.getFileName() + ": " + text));
                if (NOT_SPOKEN.contains(element.normalName()) || element.hasAttr("th:text")) {
                    continue;
                }
                for (TextNode node : element.textNodes()) {
                    String said = INLINE.matcher(node.getWholeText()).replaceAll("");
                    if (WORD.matcher(said).find()) {
                        outside.add(file.getFileName() + ": " + said.strip());
                    }
                }
            }
        });
        assertThat(outside).as("they belong into messages/").isEmpty();
    }

    private static Stream<String> attributes(Element element) {
        return element.attributes().asList().stream()
                .flatMap(attribute -> SHOWN.contains(attribute.getKey())
                        ? Stream.of(attribute.getValue()).filter(TextsTest::isText)
                        : literals(attribute));
    }

    /** An example of an address or a number needs no translation. */
    private static boolean isText(String value) {
        return WORD.matcher(value).find() && !value.matches("\\S*[./{@\\d-]\\S*");
    }

    private static Stream<String> literals(Attribute attribute) {
        String shown = attribute.getKey().replace("th:", "");
        if (!shown.equals("text") && !shown.equals("utext") && !SHOWN.contains(shown)) {
            return Stream.empty();
        }
        String expression = attribute.getValue().replaceAll("(?:msg|format|counted)\\([^']*'[^']*'", "");
        return LITERAL.matcher(expression)
                .results()
                .map(found -> found.group(1))
                .filter(text -> SENTENCE.matcher(text).find());
    }

    /** What programs are answered is English, for those who write them; what a log or a fault of ours says, too. */
    @Test
    void no_sentence_for_people_stands_in_the_code() {
        List<String> outside = new ArrayList<>();
        sources(".java").forEach((file, source) -> {
            if (!FOR_PROGRAMS.matcher(file.toString()).find()) {
                String code =
                        JOINED.matcher(NO_TEXT.matcher(source).replaceAll("")).replaceAll("");
                for (String statement : code.split("[;{}]\\s*\\n")) {
                    if (!FOR_OPERATORS.matcher(statement).find()) {
                        STRING.matcher(statement)
                                .results()
                                .map(found -> found.group(1))
                                .filter(text -> SPOKEN.matcher(text).find())
                                .forEach(text -> outside.add(file.getFileName() + ": " + text));
                    }
                }
            }
        });
        assertThat(outside).as("they belong into messages/").isEmpty();
    }

    private static Map<Path, String> sources(String ending) {
        try (Stream<Path> files = Files.walk(SOURCES)) {
            return files.filter(file -> file.toString().endsWith(ending))
                    .filter(file -> !NO_TEMPLATES.contains(file.getFileName().toString()))
                    .collect(Collectors.toMap(file -> file, TextsTest::read));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String read(Path file) {
        try {
            return Files.readAllLines(file).stream().collect(joining("\n"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

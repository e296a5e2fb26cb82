package wendo.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * A table has one owner; others read it only if {@code tables.txt} declares it, and nobody else writes it. What is written
 * by hand, instead of through Hibernate, stands in {@code statements.txt} with its reason; that list only gets shorter.
 */
class TablesTest {
    private static final Path SOURCES = Path.of("src/main/java/wendo/app");
    private static final Path RESOURCES = Path.of("src/test/resources");

    /** Texts and comments of a source file; what is neither matches nothing. */
    private static final Pattern TEXT_OR_COMMENT =
            Pattern.compile("\"\"\"(?s:.*?)\"\"\"|\"(?:[^\"\\\\\n]|\\\\.)*\"|/\\*(?s:.*?)\\*/|//[^\n]*");

    private static final Pattern BY_HAND =
            Pattern.compile("\\b(?:insert into|delete from)\\b|\\bupdate\\s+\\S+\\s+(?:\\w+\\s+)?set\\b");

    private static final Pattern WRITTEN = Pattern.compile("\\b(?:insert into|delete from|update)\\s+(\\w+)");
    private static final Pattern READ = Pattern.compile("\\b(?:from|join|using)\\s+(\\w+)");
    private static final Pattern ENTITY = Pattern.compile("(?m)^@Entity\\b");
    private static final Pattern TABLE = Pattern.compile("@Table\\(name = \"(\\w+)\"\\)");
    private static final Pattern CLASS = Pattern.compile("(?m)^(?:public )?class (\\w+)");

    /** Tables by name, as {@code tables.txt} declares them. */
    private record Declared(String owner, Set<String> readers) {}

    private static final Map<String, Declared> DECLARED = new TreeMap<>();
    private static final Map<String, Set<String>> WRITERS = new TreeMap<>();
    private static final Map<String, Set<String>> READERS = new TreeMap<>();
    private static final Map<String, String> ENTITIES = new TreeMap<>();
    private static final Map<String, Integer> STATEMENTS = new TreeMap<>();

    @BeforeAll
    static void read() throws IOException {
        for (String line : lines("tables.txt")) {
            String[] parts = line.split("\\s+", 3);
            DECLARED.put(
                    parts[0],
                    new Declared(
                            parts[1],
                            parts.length < 3 ? Set.of() : new TreeSet<>(Arrays.asList(parts[2].split("\\s+")))));
        }
        try (Stream<Path> files = Files.walk(SOURCES)) {
            for (Path file :
                    files.filter(one -> one.toString().endsWith(".java")).toList()) {
                read(file);
            }
        }
    }

    private static List<String> lines(String resource) throws IOException {
        return Files.readAllLines(RESOURCES.resolve(resource)).stream()
                .filter(line -> !line.isBlank() && !line.startsWith("#"))
                .toList();
    }

    private static void read(Path file) throws IOException {
        String source = Files.readString(file);
        Path folder = SOURCES.relativize(file).getParent();
        if (folder == null) {
            return;
        }
        String feature = folder.toString().replace('/', '.');
        if (ENTITY.matcher(source).find()) {
            ENTITIES.put(table(source), feature);
        }
        TEXT_OR_COMMENT
                .matcher(source)
                .results()
                .map(MatchResult::group)
                .filter(one -> one.startsWith("\""))
                .forEach(text -> {
                    int statements = (int) BY_HAND.matcher(text).results().count();
                    if (statements > 0 && !file.toString().endsWith("Repository.java")) { // those are Hibernate's
                        STATEMENTS.merge(SOURCES.relativize(file).toString(), statements, Integer::sum);
                    }
                    tables(WRITTEN, text)
                            .forEach(table -> WRITERS.computeIfAbsent(table, one -> new TreeSet<>())
                                    .add(feature));
                    tables(READ, text)
                            .forEach(table -> READERS.computeIfAbsent(table, one -> new TreeSet<>())
                                    .add(feature));
                });
    }

    private static String table(String entity) {
        return TABLE.matcher(entity)
                .results()
                .findFirst()
                .map(found -> found.group(1))
                .orElseGet(() -> {
                    String name = CLASS.matcher(entity)
                            .results()
                            .findFirst()
                            .orElseThrow()
                            .group(1);
                    return name.replaceAll("(?<!^)([A-Z])", "_$1").toLowerCase(java.util.Locale.ROOT);
                });
    }

    private static List<String> tables(Pattern pattern, String text) {
        return pattern.matcher(text)
                .results()
                .map(found -> found.group(1))
                .filter(DECLARED::containsKey)
                .toList();
    }

    @Test
    void every_table_and_view_has_an_owner() throws IOException {
        Set<String> made = new TreeSet<>();
        Pattern rename = Pattern.compile("alter table (\\w+) rename to (\\w+)");
        Pattern change = Pattern.compile(
                "(create|drop) (?:or replace )?(?:unlogged )?(?:table|view) (?:if (?:not )?exists )?(\\w+)");
        try (Stream<Path> files = Files.list(Path.of("src/main/resources/db/migration"))) {
            for (Path file : files.sorted().toList()) {
                String migration = Files.readString(file);
                change.matcher(migration).results().forEach(found -> {
                    String table = found.group(2);
                    if (found.group(1).equals("create")) {
                        made.add(table);
                    } else {
                        made.remove(table);
                    }
                });
                rename.matcher(migration).results().forEach(found -> {
                    made.remove(found.group(1));
                    made.add(found.group(2));
                });
            }
        }
        assertThat(DECLARED.keySet()).isEqualTo(made);
        Set<String> features = new TreeSet<>(List.of("library"));
        try (Stream<Path> files = Files.walk(SOURCES)) {
            files.filter(file -> file.endsWith("package-info.java"))
                    .map(file -> SOURCES.relativize(file).getParent())
                    .filter(folder -> folder != null)
                    .forEach(folder -> features.add(folder.toString().replace('/', '.')));
        }
        DECLARED.forEach((table, declared) ->
                assertThat(features).as(table).contains(declared.owner()).containsAll(declared.readers()));
    }

    @Test
    void nobody_but_its_owner_writes_a_table() {
        Map<String, Set<String>> others = new HashMap<>();
        WRITERS.forEach((table, writers) -> writers.forEach(writer -> {
            // The demo's history is invented, and lies in the past: no feature can be asked to make it.
            if (!writer.equals("desk.demo") && !writer.equals(owner(table))) {
                others.computeIfAbsent(table, one -> new TreeSet<>()).add(writer);
            }
        }));
        assertThat(others).isEmpty();
        ENTITIES.forEach((table, feature) -> assertThat(feature).as(table).isEqualTo(owner(table)));
    }

    @Test
    void a_table_is_read_by_those_who_are_declared_to() {
        Map<String, Set<String>> declared = new TreeMap<>();
        Map<String, Set<String>> real = new TreeMap<>();
        DECLARED.forEach((table, one) -> {
            declared.put(table, one.readers());
            Set<String> readers = new TreeSet<>(READERS.getOrDefault(table, Set.of()));
            readers.remove(one.owner());
            real.put(table, readers);
        });
        assertThat(real).isEqualTo(declared);
    }

    @Test
    void statements_by_hand_stand_where_a_reason_is_given_and_get_fewer() throws IOException {
        Map<String, Integer> listed = new TreeMap<>();
        for (String line : lines("statements.txt")) {
            String[] parts = line.split("\\s+", 3);
            assertThat(parts).as("%s has a count and a reason", line).hasSize(3);
            listed.put(parts[0], Integer.parseInt(parts[1]));
        }
        assertThat(STATEMENTS).isEqualTo(listed);
    }

    private static String owner(String table) {
        return java.util.Objects.requireNonNull(DECLARED.get(table)).owner();
    }
}

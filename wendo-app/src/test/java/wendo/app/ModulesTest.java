package wendo.app;

import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.modulith.core.ApplicationModules;
import org.springframework.modulith.docs.Documenter;

class ModulesTest {
    private static final Path PAGES = Path.of("../docs/modules");

    private final ApplicationModules modules = ApplicationModules.of(WendoApplication.class);

    @Test
    void features_use_only_what_they_say_they_use() {
        modules.verify();
    }

    /** What each module offers, hears and uses. Where it has changed, the pages are written anew, to be committed. */
    @Test
    void the_pages_about_modules_say_what_they_are(@TempDir Path written) throws IOException {
        new Documenter(modules, Documenter.Options.defaults().withOutputFolder(written.toString()))
                .writeModulesAsPlantUml()
                .writeModuleCanvases();
        Map<String, String> now = pages(written);
        Map<String, String> before = pages(PAGES);
        boolean isCurrent = said(now).equals(said(before));
        if (!isCurrent) {
            for (String gone : before.keySet()) {
                Files.delete(PAGES.resolve(gone));
            }
            for (Map.Entry<String, String> page : now.entrySet()) {
                Files.writeString(PAGES.resolve(page.getKey()), page.getValue());
            }
        }
        assertThat(isCurrent)
                .as("docs/modules was out of date; it has been written anew, commit it")
                .isTrue();
    }

    /** What the pages say, in whatever order: that differs from run to run. */
    private static Map<String, List<String>> said(Map<String, String> pages) {
        Map<String, List<String>> said = new TreeMap<>();
        pages.forEach((name, page) -> said.put(
                name,
                page.lines().map(line -> line.replaceFirst("^\\|", "")).sorted().toList()));
        return said;
    }

    private static Map<String, String> pages(Path folder) throws IOException {
        Map<String, String> pages = new TreeMap<>();
        try (Stream<Path> files = Files.list(Files.createDirectories(folder))) {
            for (Path file : files.toList()) {
                pages.put(file.getFileName().toString(), Files.readString(file));
            }
        }
        return pages;
    }

    /** Districts stand in the order of the work: what comes later may use what comes before, never the other way round. */
    @Test
    void no_two_districts_use_each_other() {
        JavaClasses classes = new ClassFileImporter()
                .withImportOption(new ImportOption.DoNotIncludeTests())
                .importPackages("wendo.app");
        slices().matching("wendo.app.(*)..").should().beFreeOfCycles().check(classes);
    }
}

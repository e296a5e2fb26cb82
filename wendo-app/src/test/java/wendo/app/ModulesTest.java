package wendo.app;

import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;
import org.springframework.modulith.core.ApplicationModules;

class ModulesTest {

    @Test
    void features_use_only_what_they_say_they_use() {
        ApplicationModules.of(WendoApplication.class).verify();
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

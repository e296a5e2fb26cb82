package wendo.app;

import org.junit.jupiter.api.Test;
import org.springframework.modulith.core.ApplicationModules;

class ModulesTest {

    @Test
    void modules_use_only_what_they_say_they_use() {
        ApplicationModules.of(WendoApplication.class).verify();
    }
}

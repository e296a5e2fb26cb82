package wendo.app;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableAsync;
import org.springframework.scheduling.annotation.EnableScheduling;

@SpringBootApplication
@ConfigurationPropertiesScan
@EnableAsync
@EnableScheduling
public class WendoApplication {

    private static boolean isRoot() {
        return "root".equals(System.getProperty("user.name"));
    }

    public static void main(String[] args) {
        if (isRoot() && !"true".equals(System.getenv("WENDO_DEMO")) && !"yes".equals(System.getenv("WENDO_AS_ROOT"))) {
            System.err.println("wendo: not started as root, who may do anything on this machine."
                    + " Run it as a user of its own, or set WENDO_AS_ROOT=yes.");
            System.exit(1);
        }
        SpringApplication.run(WendoApplication.class, args);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}

package wendo.app.visit.visits;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.json.JsonMapper;
import wendo.core.visits.Sorting;

/** Visits are sorted by the published list of crawlers' user agents that ships with the application. */
@Configuration(proxyBeanMethods = false)
class Crawlers {
    private record Crawler(String pattern) {}

    @Bean
    Sorting sorting(JsonMapper json) {
        try (InputStream list = Crawlers.class.getResourceAsStream("/data/crawlers.json")) {
            return new Sorting(Arrays.stream(json.readValue(list, Crawler[].class))
                    .map(Crawler::pattern)
                    .toList());
        } catch (IOException e) {
            throw new UncheckedIOException("The list of crawlers cannot be read", e);
        }
    }
}

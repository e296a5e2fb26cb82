package wendo.app.visits;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.List;
import tools.jackson.databind.json.JsonMapper;

/** The published list of crawlers' user agents that ships with the application. */
final class Crawlers {
    private record Crawler(String pattern) {}

    private Crawlers() {}

    static List<String> patterns(JsonMapper json) {
        try (InputStream list = Crawlers.class.getResourceAsStream("/data/crawlers.json")) {
            return Arrays.stream(json.readValue(list, Crawler[].class))
                    .map(Crawler::pattern)
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException("The list of crawlers cannot be read", e);
        }
    }
}

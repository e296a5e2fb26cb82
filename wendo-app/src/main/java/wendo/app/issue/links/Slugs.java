package wendo.app.issue.links;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import wendo.core.links.SlugRules;

/** Which endings are taken on a host, and which nobody gets. */
@Component
class Slugs {
    private final JdbcClient jdbc;
    private final SlugRules rules;

    Slugs(JdbcClient jdbc, JsonMapper json) {
        this.jdbc = jdbc;
        this.rules = new SlugRules(words(json));
    }

    private static List<String> words(JsonMapper json) {
        try (InputStream list = Slugs.class.getResourceAsStream("/data/offensive-words.json")) {
            return Arrays.stream(json.readValue(list, String[].class))
                    .map(word -> word.toLowerCase(Locale.ROOT))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException("The list of offensive words cannot be read", e);
        }
    }

    SlugRules rules() {
        return rules;
    }

    /** Those of these skeletons that are taken on a host, with the slug that has each. */
    @Transactional(readOnly = true)
    Map<String, String> taken(UUID host, Collection<String> skeletons) {
        if (skeletons.isEmpty()) {
            return Map.of();
        }
        return jdbc
                .sql("""
                        select skeleton, min(slug) from (
                            select host_id, skeleton, slug from link
                            union all select host_id, skeleton, slug from link_former_address) a
                        where host_id = ? and skeleton = any(?) group by skeleton
                        """)
                .params(host, skeletons.stream().distinct().toArray(String[]::new))
                .query((row, number) -> Map.entry(row.getString(1), row.getString(2)))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }
}

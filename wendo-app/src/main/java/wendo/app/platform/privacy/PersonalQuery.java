package wendo.app.platform.privacy;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * Reads what is kept of a person.
 *
 * @param sql with {@code :contacts} and {@code :outcomes}, which are arrays
 * @param columns the keys of what its columns are called, in their order
 */
public record PersonalQuery(String sql, List<String> columns) {
    public static PersonalQuery of(String sql, String... columns) {
        return new PersonalQuery(sql, List.of(columns));
    }

    public List<Map<String, String>> find(JdbcClient jdbc, KnownPerson person) {
        return jdbc.sql(sql)
                .param("contacts", person.contactArray())
                .param("outcomes", person.outcomeArray())
                .query((row, number) -> {
                    Map<String, String> found = new LinkedHashMap<>();
                    for (int i = 0; i < columns.size(); i++) {
                        found.put(columns.get(i), row.getString(i + 1));
                    }
                    return found;
                })
                .list();
    }
}

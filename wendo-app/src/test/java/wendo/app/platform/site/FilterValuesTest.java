package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;

class FilterValuesTest {
    @Test
    void one_value_is_taken_out_and_the_rest_stays_letter_for_letter() {
        Map<String, String> said = new LinkedHashMap<>();
        said.put("find", "ada & co=1");
        said.put("source", "");
        said.put("days", "28");
        String query = FilterValues.query(said);
        assertThat(query).isEqualTo("find=ada%20%26%20co%3D1&days=28");
        assertThat(FilterValues.without(query, "days")).isEqualTo("find=ada%20%26%20co%3D1");
        assertThat(FilterValues.without(query, "find")).isEqualTo("days=28");
        assertThat(FilterValues.without(query, "day")).isEqualTo(query);
        assertThat(FilterValues.without("days=28", "days")).isEmpty();
    }
}

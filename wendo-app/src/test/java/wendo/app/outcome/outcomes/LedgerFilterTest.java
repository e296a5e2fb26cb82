package wendo.app.outcome.outcomes;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.UriUtils;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.TypedFields;
import wendo.core.outcomes.OutcomeKind;

class LedgerFilterTest {
    /** As a browser would send it. */
    private static LedgerFilter of(String query) {
        MultiValueMap<String, String> sent = new LinkedMultiValueMap<>();
        UriComponentsBuilder.fromUriString("?" + query)
                .build()
                .getQueryParams()
                .forEach((name, values) -> values.forEach(
                        value -> sent.add(name, value == null ? "" : UriUtils.decode(value, StandardCharsets.UTF_8))));
        return LedgerFilter.of(new TypedFields(sent));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "find=a%20%26%20b%3D1",
                "kind=booking",
                "source=00000000-0000-0004-0000-000000000004",
                "status=refunded",
                "joined=no",
                "sort=-value",
                "columns=when.items",
                "find=x&kind=lead&status=open&sort=source&columns=when.value.source.status"
            })
    void an_address_brings_the_same_ledger_again(String query) {
        LedgerFilter filter = of(query);
        assertThat(filter.query()).isEqualTo(query);
        assertThat(of(filter.query())).isEqualTo(filter);
        assertThat(filter.more()).isEqualTo(query.isEmpty() ? "" : "&" + query);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "kind=visit",
                "source=postcards",
                "status=lost",
                "joined=yes",
                "sort=evidence",
                "sort=o.name%3B--",
                "columns=name",
                "page=3"
            })
    void what_makes_no_sense_holds_back_nothing(String query) {
        assertThat(of(query)).isEqualTo(of(""));
    }

    @Test
    void removing_one_word_keeps_the_others() {
        LedgerFilter filter = of("find=x&kind=lead&status=open&sort=-value");
        assertThat(filter.without("status")).isEqualTo("find=x&kind=lead&sort=-value");
        assertThat(filter.without("find")).isEqualTo("kind=lead&status=open&sort=-value");
        assertThat(filter.isNarrow()).isTrue();
        assertThat(of("kind=lead&sort=-value").isNarrow()).isFalse();
    }

    @Test
    void another_kind_keeps_what_else_is_asked_and_how_the_list_looks() {
        LedgerFilter filter = of("find=x&kind=lead&joined=no&columns=when.items");
        assertThat(filter.of(OutcomeKind.BOOKING).query()).isEqualTo("find=x&kind=booking&columns=when.items");
        assertThat(filter.ofAllKinds().query()).isEqualTo("find=x&columns=when.items");
        assertThat(of("source=00000000-0000-0004-0000-000000000004&sort=value")
                        .unknown()
                        .query())
                .isEqualTo("joined=no&sort=value");
    }

    @Test
    void a_pasted_address_of_any_length_is_cut_to_what_is_looked_for() {
        assertThat(of("find=" + "x".repeat(5_000)).find()).hasSize(Limits.SEARCH);
    }
}

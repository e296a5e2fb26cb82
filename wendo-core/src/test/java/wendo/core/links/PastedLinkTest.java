package wendo.core.links;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PastedLinkTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "https://go.example/Slip-Way",
                "go.example/slip-way",
                "HTTP://GO.EXAMPLE:8080/SLIP-WAY/?utm_x=1#top",
                "//go.example/slip-way//",
                " go.example/slip-way?a=/b/c ",
                "go.example/slip-way#/x"
            })
    void every_spelling_of_a_link_is_that_link(String pasted) {
        assertThat(new PastedLink(pasted).slug()).isEqualTo("slip-way");
        assertThat(new PastedLink(pasted).plain()).isEqualTo("go.example/slip-way");
    }

    @Test
    void a_slug_alone_is_a_slug_and_another_host_is_another_link() {
        assertThat(new PastedLink("Slip-Way").slug()).isEqualTo("slip-way");
        assertThat(new PastedLink("other.example/slip-way").plain()).isNotEqualTo("go.example/slip-way");
        assertThat(new PastedLink("").slug()).isEmpty();
        assertThat(new PastedLink("?x").plain()).isEmpty();
    }
}

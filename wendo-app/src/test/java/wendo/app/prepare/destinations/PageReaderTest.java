package wendo.app.prepare.destinations;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PageReaderTest {
    @ParameterizedTest
    @CsvSource({
        "teal.example, www.teal.example, true",
        "www.teal.example, teal.example, true",
        "teal.example, teal.example, true",
        "teal.example, shop.teal.example, false",
        "www.teal.example, www2.teal.example, false",
        "teal.example, reed.example, false"
    })
    void a_redirect_is_followed_on_the_same_site_alone(String from, String to, boolean isFollowed) {
        assertThat(PageReader.isSameSite(to, from)).isEqualTo(isFollowed);
    }
}

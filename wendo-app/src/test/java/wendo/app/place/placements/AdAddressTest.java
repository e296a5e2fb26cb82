package wendo.app.place.placements;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.app.issue.links.LinkListed;
import wendo.core.links.Channel;

class AdAddressTest {
    private static final UUID ID = new UUID(1, 2);

    private static AdAddress of(String tagged, String fill) {
        LinkListed link = new LinkListed(
                ID,
                "Ad",
                "ad",
                "https://go.example/ad",
                tagged,
                "utm_source=a&utm_campaign=b%20c",
                "",
                List.of(),
                "",
                Instant.EPOCH,
                "",
                new LinkListed.Belongs(ID, ID, ID),
                "Ads",
                Channel.AD,
                "Spring",
                "https://page.example/",
                new LinkListed.Paid(false, ""),
                Optional.empty());
        return AdAddress.of(link, Optional.empty(), fill);
    }

    @Test
    void its_parts_put_together_are_the_final_address() {
        AdAddress ad = of("https://page.example/x?a=1&utm_source=a", "kw={keyword}\nplace=[placement]");
        assertThat(ad.finalAddress())
                .isEqualTo("https://page.example/x?a=1&utm_source=a&kw={keyword}&place=[placement]");
        assertThat(ad.page() + "?" + ad.suffix()).isEqualTo(ad.finalAddress());
        assertThat(ad.filled()).containsExactly("kw={keyword}", "place=[placement]");
        assertThat(ad.tags())
                .containsExactly(java.util.Map.entry("utm_source", "a"), java.util.Map.entry("utm_campaign", "b c"));
        assertThat(ad.fault()).isEmpty();
        AdAddress within = of("https://page.example/x?a=1#top", "kw={keyword}");
        assertThat(within.finalAddress()).isEqualTo("https://page.example/x?a=1&kw={keyword}#top");
        assertThat(within.page()).isEqualTo("https://page.example/x#top");
        assertThat(within.suffix()).isEqualTo("a=1&kw={keyword}");
        assertThat(of("https://page.example/x", "").finalAddress()).isEqualTo("https://page.example/x");
        assertThat(of("https://page.example/x", "kw={k}").finalAddress()).isEqualTo("https://page.example/x?kw={k}");
    }

    @ParameterizedTest
    @ValueSource(strings = {"keyword", "=x", "1a=x", "a b=", "kw=", "k\u00fc=x"})
    void what_is_no_name_and_value_is_told_and_left_out(String fill) {
        AdAddress ad = of("https://page.example/x", fill);
        assertThat(ad.fault()).contains("is not a name, an equals sign");
        assertThat(ad.finalAddress()).isEqualTo("https://page.example/x");
    }
}

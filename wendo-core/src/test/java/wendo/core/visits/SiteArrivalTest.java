package wendo.core.visits;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** The order is that of common practice: known tags, own host, search engine, social network, another host, none. */
class SiteArrivalTest {
    private static final String PAGE = "https://www.marram.example/tasters";

    private static SiteArrival sorted(String page, String referrer) {
        return SiteArrival.find(page, referrer, Set.of("saltgrass-campsite")::contains)
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({
        "'', DIRECT, ''",
        "https://tides.example/coast/today?day=3#ebb, REFERRAL, tides.example",
        "https://WWW.Tides.example, REFERRAL, tides.example",
        "https://shop.marram.example/, REFERRAL, shop.marram.example",
        "http://[::1]:8080/, REFERRAL, [::1]",
        "about:blank, DIRECT, ''",
        "'https://exa mple/', REFERRAL, example",
        "::::, DIRECT, ''"
    })
    void a_page_that_led_here_is_a_referral_and_none_is_direct(String referrer, Origin origin, String host) {
        assertThat(sorted(PAGE, referrer)).isEqualTo(new SiteArrival(origin, "", host));
    }

    @ParameterizedTest
    @CsvSource({"https://www.marram.example/", "http://marram.example:8090/boats?x=1", "https://MARRAM.example/a#b"})
    void who_comes_from_the_site_itself_has_not_arrived(String referrer) {
        assertThat(SiteArrival.find(PAGE, referrer, tag -> true)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "utm_source=saltgrass-campsite, TAGGED",
        "utm_medium=x&utm_source=Saltgrass%20Campsite&utm_term=1, TAGGED",
        "utm_source=Saltgrass+Campsite#top, TAGGED",
        "utm_source=somebody-else, REFERRAL",
        "utm_source=%, REFERRAL",
        "utm_source=, REFERRAL",
        "x=utm_source%3Dsaltgrass-campsite, REFERRAL"
    })
    void tags_that_name_a_known_source_go_before_the_page_that_led_here(String query, Origin origin) {
        SiteArrival arrival = sorted(PAGE + "?" + query, "https://tides.example/");
        assertThat(arrival.origin()).isEqualTo(origin);
        assertThat(arrival.tag()).isEqualTo(origin == Origin.TAGGED ? "saltgrass-campsite" : "");
        assertThat(arrival.referrerHost()).isEqualTo("tides.example");
    }

    private static List<String> listed() throws IOException {
        try (var file = SiteArrival.class.getResourceAsStream("referrers.txt")) {
            return new String(file.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("#") && !line.isBlank())
                    .toList();
        }
    }

    @ParameterizedTest
    @MethodSource("listed")
    void each_listed_host_is_what_the_list_says_and_only_it(String line) {
        Origin origin = Origin.of(line.substring(0, line.indexOf(' ')));
        String entry = line.substring(line.indexOf(' ') + 1);
        String host = entry.replaceFirst("^\\.", "");
        for (String ending : host.endsWith(".*") ? List.of("com", "de", "co.uk", "com.au") : List.of("")) {
            String full = host.replaceFirst("\\*$", ending);
            assertThat(ReferrerHosts.find(full)).as(full).contains(origin);
            assertThat(ReferrerHosts.find("www." + full)).as(full).contains(origin);
            assertThat(ReferrerHosts.find("un" + full)).as("un" + full).isEmpty();
            if (entry.startsWith(".")) {
                assertThat(ReferrerHosts.find("m.l." + full)).as(full).contains(origin);
            }
        }
    }

    @Test
    void nothing_else_is_a_search_engine_or_a_network() {
        for (String host : List.of("tides.example", "example", "", ".", "com", "co.uk", "search.example", "[::1]")) {
            assertThat(ReferrerHosts.find(host)).as(host).isEqualTo(Optional.empty());
        }
    }
}

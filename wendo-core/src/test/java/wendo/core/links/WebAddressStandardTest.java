package wendo.core.links;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Addresses as browsers read them. The data is that of the web platform tests for the URL Standard
 * (url/resources/urltestdata.json of commit 2a64dae, BSD 3-clause), those of its cases that are absolute http and https
 * addresses.
 */
class WebAddressStandardTest {

    private static List<JsonNode> cases() throws IOException {
        try (InputStream data =
                Objects.requireNonNull(WebAddressStandardTest.class.getResourceAsStream("urltestdata.json"))) {
            List<JsonNode> all = new ArrayList<>();
            JsonMapper.shared().readTree(data).forEach(all::add);
            return all;
        }
    }

    /** Where the URL Standard keeps what RFC 3986 does not allow, we escape it; that is all that may differ. */
    private static String escaped(String href) {
        StringBuilder out = new StringBuilder();
        int query = href.indexOf('?');
        for (int i = 0; i < href.length(); i++) {
            char c = href.charAt(i);
            boolean isEscape = c == '%' && href.substring(i + 1).matches("(?s)[0-9A-Fa-f]{2}.*");
            boolean isBracketOfPath =
                    (c == '[' || c == ']') && query < 0 && href.indexOf('#') < 0 && i > 8 && href.indexOf('/', 8) < i;
            boolean isPlain =
                    isEscape || "-._~!$&'()*+,;=:@/?#[]".indexOf(c) >= 0 || c < 128 && Character.isLetterOrDigit(c);
            out.append(isPlain && !isBracketOfPath ? String.valueOf(c) : String.format("%%%02X", (int) c));
        }
        return out.toString().replace("%27", "'");
    }

    @Test
    void the_cases_of_the_web_platform_tests() throws IOException {
        List<String> wrong = new ArrayList<>();
        int read = 0;
        int refused = 0;
        for (JsonNode one : cases()) {
            String input = one.get("input").asString();
            boolean isFailure = one.get("href").isNull();
            try {
                String own = WebAddress.of(input).toString();
                read++;
                if (isFailure
                        || !own.equals(escaped(one.get("href").asString()).replaceFirst("(?<=[a-z])\\.(?=[:/])", ""))) {
                    wrong.add(input + " became " + own + " instead of " + one.get("href"));
                }
            } catch (AddressRefused e) {
                refused++;
                boolean isOurs = String.valueOf(e.getMessage()).contains("user name")
                        || String.valueOf(e.getMessage()).matches("(?s).*(length|port is a number).*");
                if (!isFailure && !isOurs) {
                    wrong.add(input + " was refused: " + e.getMessage());
                }
            }
        }
        assertThat(wrong).isEmpty();
        assertThat(read).isGreaterThan(100);
        assertThat(refused).isGreaterThan(100);
    }

    /** UTS #46, non-transitional processing; underscores and emoji as the URL Standard allows them. */
    @ParameterizedTest
    @CsvSource({
        "faß.de,https://xn--fa-hia.de/",
        "FAẞ.de,https://xn--fa-hia.de/",
        "βόλος.example,https://xn--nxasmm1c.example/",
        "i❤.example,https://xn--i-7iq.example/",
        "my_shop.marram.example,https://my_shop.marram.example/",
        "http://marram.example:080/a,http://marram.example/a",
        "https://marram.example:00443/a,https://marram.example/a",
        "https://[2001:0DB8:0:0:0:0:0:1]:8443/,https://[2001:db8::1]:8443/",
        "https://marram.example/a#b#c,https://marram.example/a#b#c",
        "'https://marram.example\\boats\\day?x=a\\b',https://marram.example/boats/day?x=a%5Cb"
    })
    void names_are_those_that_browsers_go_to(String pasted, String expected) {
        assertThat(WebAddress.of(pasted)).hasToString(expected);
    }

    /** Loopback (RFC 4291), unique local (RFC 4193), link-local, an IPv4 address in IPv6, and one that is public. */
    @ParameterizedTest
    @CsvSource({
        "[::1],true",
        "[fd00::1],true",
        "[fe80::1],true",
        "[::ffff:7f00:1],true",
        "[2606:4700::1],false",
        "127.1,true",
        "0x7f000001,true",
        "8.8.8.8,false"
    })
    void numbers_are_judged_like_names(String host, boolean isLocal) {
        assertThat(HostName.isLocal(WebAddress.of("http://" + host + ":8080/").host()))
                .isEqualTo(isLocal);
    }

    @Test
    void a_parameter_of_the_same_name_is_recognised_however_it_is_written() {
        Tagging tagged = Tagging.of(
                WebAddress.of("https://marram.example/?a=1&utm%5Fsource=old&utm_source=older&b=%5F"),
                java.util.Map.of("utm_source", "postcards"));
        assertThat(tagged.address()).hasToString("https://marram.example/?a=1&b=%5F&utm_source=postcards");
        assertThat(tagged.replaced()).hasSize(2);
        assertThatThrownBy(() -> WebAddress.of("https://a b.example/")).isInstanceOf(AddressRefused.class);
    }
}

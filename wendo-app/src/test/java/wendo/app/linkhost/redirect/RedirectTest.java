package wendo.app.linkhost.redirect;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;

/** Links are answered alike on the port of the pages and on a port of their own. */
class RedirectTest extends WendoTest {
    @Autowired
    private LinkServer server;

    private Tenant tenant;
    private String slug = "";

    @BeforeEach
    void issue() {
        tenant = tenant("Whimbrel <Walks>");
        slug = http().issue(tenant.apiKey(), "https://walks.example/p?x=1", "Spring", "Postcards")
                .get(0);
        await("the link is known", () -> head(port(true)).statusCode() == 302);
    }

    private int port(boolean own) {
        return own ? server.port().orElseThrow() : port;
    }

    private HttpResponse<String> ask(int at, String path, String... headers) {
        Http http = new Http(at);
        HttpRequest.Builder request = http.request("/" + path).header("Host", tenant.host() + ":" + at);
        return http.send(headers.length == 0 ? request : request.headers(headers));
    }

    private HttpResponse<String> head(int at) {
        Http http = new Http(at);
        return http.send(http.request("/" + slug)
                .header("Host", tenant.host())
                .method("HEAD", HttpRequest.BodyPublishers.noBody()));
    }

    private static Map<String, List<String>> told(HttpResponse<String> answer) {
        Map<String, List<String>> headers =
                new java.util.TreeMap<>(answer.headers().map());
        headers.keySet().removeAll(List.of("date", "connection", "keep-alive", "content-length", "vary"));
        headers.replaceAll((name, values) -> values.stream()
                .map(value -> value.replaceAll("wcl=[0-9a-z]{26}", "wcl=").replaceAll("[0-9a-f-]{36}", "visitor"))
                .map(value -> value.replace(" ", "").toLowerCase(java.util.Locale.ROOT))
                .toList());
        return headers;
    }

    @Test
    void both_ports_say_the_same() {
        for (String path : List.of(slug, slug.toUpperCase(java.util.Locale.ROOT) + "/", "nothing-here", "", "a%20b")) {
            HttpResponse<String> page = ask(port(false), path);
            HttpResponse<String> own = ask(port(true), path);
            assertThat(own.statusCode()).as(path).isEqualTo(page.statusCode());
            assertThat(own.body()).isEqualTo(page.body());
            assertThat(told(own)).isEqualTo(told(page));
        }
        assertThat(ask(port(true), slug).headers().firstValue("Location").orElseThrow())
                .startsWith("https://walks.example/p?x=1&utm_source=postcards");
        assertThat(ask(port(true), ".well-known/wendo").body())
                .isEqualTo(ask(port(false), ".well-known/wendo").body())
                .hasSize(36);
        assertThat(ask(port(true), "t/open.css").statusCode())
                .as("the pages' port has the pages")
                .isEqualTo(404);
        assertThat(head(port(true)).headers().firstValue("Location")).isPresent();
        await("each is stored once, and HEAD is not", () -> count(tenant, "select count(*) from visit") == 5);
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void who_asks_for_privacy_gets_no_cookie_and_is_one_person_for_a_day(boolean own) {
        HttpResponse<String> first = ask(port(own), slug, "Sec-GPC", "1");
        assertThat(first.headers().firstValue("Set-Cookie")).isEmpty();
        ask(port(own), slug, "Sec-GPC", "1", "Cookie", "wendo_visitor=00000000-0000-4000-8000-000000000001");
        HttpRequest.Builder other = http().request("/" + slug).header("Host", tenant.host() + ":" + port(own));
        new Http(port(own)).send(other.header("Sec-GPC", "1").setHeader("User-Agent", Http.BROWSER + " Other/1"));
        await("all are stored", () -> count(tenant, "select count(*) from visit") == 3);
        assertThat(count(tenant, "select count(distinct visitor) from visit where kind <> 'repeat'"))
                .as("the address and the browser tell them apart")
                .isEqualTo(2);
        assertThat(count(tenant, "select count(*) from visit where kind = 'repeat'"))
                .isOne();
    }

    @Test
    void a_business_may_do_without_cookies() {
        assertThat(ask(port(true), slug).headers().firstValue("Set-Cookie")).isPresent();
        http().signIn(tenant.email()).form("/setup/visits", "/setup/visits", "months", "12");
        await(
                "the link host knows",
                () -> ask(port(true), slug).headers().firstValue("Set-Cookie").isEmpty());
        assertThat(ask(port(false), slug).headers().firstValue("Set-Cookie")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void a_proxy_of_the_own_network_is_believed_about_who_asks(boolean own) {
        // what a visitor put in front of the proxy's own word counts as nothing
        ask(port(own), slug, "X-Forwarded-For", "81.2.69.142, 10.0.0.7", "X-Forwarded-Proto", "https");
        ask(port(own), slug, "X-Forwarded-For", "81.2.69.142, 8.8.8.8");
        await("both are stored", () -> count(tenant, "select count(*) from visit") == 2);
        assertThat(count(tenant, "select count(*) from visit where country = 'GB'"))
                .isOne();
    }

    @Test
    void the_link_server_survives_nonsense() throws IOException {
        for (String nonsense : Stream.of(
                        "\r\n\r\n",
                        "GET",
                        "GET / HTTP/1.1\r\n\r\n",
                        "GET /%s HTTP/1.1\r\nHost: %s\r\n\r\nGET /%s HTTP/1.1\r\nHost: %s\r\n\r\n"
                                .formatted(slug, tenant.host(), slug, tenant.host()),
                        "GET /" + "x".repeat(40_000) + " HTTP/1.1\r\n\r\n",
                        "POST /" + slug + " HTTP/1.1\r\nHost: " + tenant.host() + "\r\nContent-Length: 3\r\n\r\nabc",
                        "\u0000\u0001\u0002")
                .toList()) {
            try (Socket socket = new Socket("127.0.0.1", port(true))) {
                socket.getOutputStream().write(nonsense.getBytes(StandardCharsets.ISO_8859_1));
                socket.shutdownOutput();
                socket.getInputStream().readAllBytes();
            }
            assertThat(head(port(true)).statusCode()).isEqualTo(302);
        }
    }
}

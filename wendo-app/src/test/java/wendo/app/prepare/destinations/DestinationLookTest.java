package wendo.app.prepare.destinations;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.core.links.ShareCard;
import wendo.core.links.WebAddress;

/** Against a server that does to the look what servers on the open net may do. */
class DestinationLookTest {
    private final DestinationLook looking = new DestinationLook(new PageFetch());
    private final AtomicInteger asked = new AtomicInteger();
    private final CountDownLatch testIsOver = new CountDownLatch(1);
    private HttpServer server;
    private String base = "";

    @BeforeEach
    void open() throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.setExecutor(Executors.newCachedThreadPool());
        base = "http://localhost:" + server.getAddress().getPort();
        answer("/page", 200, "<html><head><title> Taster &amp; more\n</title></head><body>…</body></html>");
        answer("/gone", 404, "<title>Gone</title>");
        redirect("/once", "page");
        redirect("/round", base + "/round");
        redirect("/file", "file:///etc/passwd");
        for (int i = 1; i <= 7; i++) {
            redirect("/hop" + i, i == 1 ? "/page" : "/hop" + (i - 1));
        }
        server.createContext("/endless", exchange -> {
            begin(exchange, "text/html", 0);
            try (OutputStream out = exchange.getResponseBody()) {
                out.write("<title>Endless</title>".getBytes(StandardCharsets.UTF_8));
                byte[] more = new byte[64 * 1024];
                for (int i = 0; i < 10_000; i++) {
                    out.write(more);
                    asked.addAndGet(more.length);
                }
            }
        });
        server.createContext("/silent", exchange -> {
            try {
                testIsOver.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
        server.start();
    }

    @AfterEach
    void close() {
        testIsOver.countDown();
        server.stop(0);
    }

    private void answer(String path, int status, String page) {
        byte[] bytes = page.getBytes(StandardCharsets.UTF_8);
        server.createContext(path, exchange -> {
            exchange.getResponseHeaders().set("Content-Type", "text/html; charset=utf-8");
            exchange.sendResponseHeaders(status, bytes.length);
            exchange.getResponseBody().write(bytes);
            exchange.close();
        });
    }

    private void redirect(String path, String to) {
        server.createContext(path, exchange -> {
            asked.incrementAndGet();
            exchange.getResponseHeaders().set("Location", to);
            exchange.sendResponseHeaders(302, -1);
            exchange.close();
        });
    }

    private static void begin(HttpExchange exchange, String type, long length) throws IOException {
        exchange.getResponseHeaders().set("Content-Type", type);
        exchange.sendResponseHeaders(200, length);
    }

    private Look look(String path) {
        return looking.look(WebAddress.of(base + path), true);
    }

    @Test
    void a_page_tells_its_title_and_the_way_to_it() {
        Look look = look("/once?utm_source=x#part");
        assertThat(look)
                .isEqualTo(new Look(
                        Optional.of(200),
                        "Taster & more",
                        java.util.List.of(base + "/once?utm_source=x#part", base + "/page"),
                        Optional.empty(),
                        new PageCard(new ShareCard("Taster & more", ""), ""),
                        ""));
        assertThat(look.redirects()).isOne();
    }

    @Test
    void what_people_would_not_see_is_a_problem_in_words() {
        assertThat(look("/gone").problem()).isEqualTo("It answers with error 404.");
        assertThat(looking.look(WebAddress.of("https://curlew.example/"), true).problem())
                .isEqualTo("There is no site of this name.");
        assertThat(looking.look(WebAddress.of("http://localhost:1/"), true).problem())
                .isEqualTo("Its server does not answer.");
        assertThat(look("/file").problem()).isEqualTo("It redirects to an address that cannot be opened.");
    }

    @Test
    void five_redirects_are_followed_and_no_more() {
        assertThat(look("/hop5").problem()).isEmpty();
        asked.set(0);
        assertThat(look("/hop6").problem()).isEqualTo("It redirects more than 5 times.");
        assertThat(asked.get()).isEqualTo(6);
        assertThat(look("/round").hops()).hasSize(6);
    }

    @Test
    void an_endless_page_is_read_for_a_megabyte_and_a_silent_one_is_left() {
        assertThat(look("/endless").title()).isEqualTo("Endless");
        assertThat(asked.get()).isLessThan(8 * 1024 * 1024); // what the sockets between took counts too
        Instant begun = Instant.now();
        assertThat(look("/silent").problem()).isEqualTo("It did not answer within 5 seconds.");
        assertThat(Duration.between(begun, Instant.now())).isLessThan(Duration.ofSeconds(6));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"localhost", "127.0.0.1", "2130706433", "127.1", "10.0.0.1", "169.254.169.254", "a.localhost"})
    void a_private_network_is_not_entered_by_whatever_spelling(String host) {
        assertThat(looking.look(
                                new WebAddress(
                                        "http", host + ":" + server.getAddress().getPort(), "/page", "", ""),
                                false)
                        .problem())
                .isEqualTo("Only a private network can open it.");
        assertThat(asked.get()).isZero();
    }

    @Test
    void names_are_judged_by_the_very_addresses_that_are_connected_to() throws Exception {
        assertThatThrownBy(() -> new PublicNames(false).resolve("LOCALHOST")).isInstanceOf(PublicNames.NotPublic.class);
        assertThat(new PublicNames(false).resolve("9.9.9.9")).hasSize(1);
        assertThatThrownBy(() -> new PublicNames(true).resolve("curlew.example"))
                .isInstanceOf(java.net.UnknownHostException.class);
    }
}

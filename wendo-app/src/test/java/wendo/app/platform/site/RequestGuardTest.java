package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.app.Http;
import wendo.app.WendoTest;

/** What somebody can do to the pages who is not even signed in. */
class RequestGuardTest extends WendoTest {
    private static final String FORM = "application/x-www-form-urlencoded";

    private int send(String path, String type, String body) {
        return http().send(http().request(path)
                        .header("Content-Type", type)
                        .POST(HttpRequest.BodyPublishers.ofString(body)))
                .statusCode();
    }

    /** Both sides of each limit; what is within it is refused for another reason. */
    @ParameterizedTest
    @CsvSource({
        "/sign-in,10240,403", "/sign-in,10241,413", "/t/outcomes,4096,400", "/t/outcomes,4097,413",
        "/t/messages/news,65536,401", "/t/messages/news,65537,413", "/t/forms/x,262144,400", "/t/forms/x,262145,413",
        "/issue,10241,413"
    })
    void a_body_is_read_up_to_the_limit_of_its_address(String path, int size, int status) {
        String type = path.equals("/t/messages/news")
                ? "application/json"
                : path.startsWith("/t/outcomes") ? "text/plain" : FORM;
        String body = path.equals("/t/messages/news")
                ? "{\"text\": \"" + "x".repeat(size - 12) + "\"}"
                : "a=" + "x".repeat(size - 2);
        assertThat(send(path, type, body)).isEqualTo(status);
    }

    /** Without a length, in chunks: 11 MB that claim nothing. */
    @Test
    void a_body_in_chunks_ends_at_the_limit_too() throws IOException {
        try (Socket socket = new Socket("127.0.0.1", port)) {
            socket.setSoTimeout(30_000);
            OutputStream out = socket.getOutputStream();
            out.write(("POST /sign-in HTTP/1.1\r\nHost: localhost\r\nContent-Type: " + FORM
                            + "\r\nTransfer-Encoding: chunked\r\n\r\n")
                    .getBytes(StandardCharsets.US_ASCII));
            byte[] chunk = ("2000\r\n" + "x".repeat(0x2000) + "\r\n").getBytes(StandardCharsets.US_ASCII);
            out.write(chunk);
            out.write(chunk);
            out.flush();
            assertThat(line(socket.getInputStream())).startsWith("HTTP/1.1 413");
        }
    }

    private static String line(InputStream in) throws IOException {
        StringBuilder line = new StringBuilder();
        for (int c = in.read(); c >= 0 && c != '\n'; c = in.read()) {
            line.append((char) c);
        }
        return line.toString();
    }

    @Test
    void nobody_anonymous_brings_files() {
        assertThat(send("/sign-in", "multipart/form-data; boundary=b", "--b--")).isEqualTo(415);
    }

    @ParameterizedTest
    @ValueSource(strings = {"%00", "%1b", "%7f"})
    void control_characters_are_refused_everywhere(String escaped) {
        Tenant tenant = tenant("Pintail " + escaped.substring(1));
        assertThat(send("/sign-in", FORM, "email=a" + escaped)).isEqualTo(400);
        assertThat(http().get("/sign-in?x=" + escaped).statusCode()).isEqualTo(400);
        Http person = http().signIn(tenant.email());
        assertThat(person.get("/find?find=" + escaped).statusCode()).isEqualTo(400);
        String raw = java.net.URLDecoder.decode(escaped, StandardCharsets.UTF_8);
        assertThat(person.form("/setup/sources", "/setup/sources", "name", "x" + raw)
                        .statusCode())
                .isEqualTo(400);
        String json = "{\"kind\": \"lead\", \"reference\": \"x\\u%04x\"}".formatted((int) raw.charAt(0));
        int status = http().post(tenant.apiKey(), "/api/v1/outcomes", json).statusCode();
        assertThat(status).as(json).isEqualTo(400);
        assertThat(count(tenant, "select count(*) from outcome")).isZero();
    }

    @Test
    void text_with_tabs_line_ends_and_whole_pairs_is_plain() {
        assertThat(PlainText.is("a\tb\r\nc \uD83D\uDEF6")).isTrue();
        for (String broken :
                List.of("\u0000", "\u001f", "\u007f", "\u0085", "\uD83D", "\uDEF6", "\uDEF6\uD83D", "x\uD83Dx")) {
            assertThat(PlainText.is(broken)).isFalse();
        }
        assertThat(PlainText.isJson("\"\\ud83d\\udef6 \\u0009 \\\\u0000\"")).isTrue();
        assertThat(PlainText.isJson("\"\\ud83d x\"")).isFalse();
        assertThat(PlainText.isJson("\"\\udef6\"")).isFalse();
        assertThat(PlainText.isJson("\"\\u0000\"")).isFalse();
    }

    /** 210 senders of one byte in six seconds, for twenty seconds; the links have threads of their own meanwhile. */
    @Test
    void slow_senders_hold_no_link_up() throws IOException {
        Tenant tenant = tenant("Gadwall Gear");
        String slug = http().issue(tenant.apiKey(), "https://gadwall.example/", "Spring", "Postcards")
                .get(0);
        List<Socket> slow = new ArrayList<>();
        List<Long> millis = new ArrayList<>();
        try {
            for (int i = 0; i < 210; i++) {
                Socket socket = new Socket("127.0.0.1", port);
                slow.add(socket);
                socket.getOutputStream()
                        .write(("POST /sign-in HTTP/1.1\r\nHost: localhost\r\nContent-Type: " + FORM
                                        + "\r\nContent-Length: 5000\r\n\r\na")
                                .getBytes(StandardCharsets.US_ASCII));
            }
            long end = System.nanoTime() + Duration.ofSeconds(20).toNanos();
            long nextByte = System.nanoTime() + Duration.ofSeconds(6).toNanos();
            Http visitor = http();
            while (System.nanoTime() < end) {
                long asked = System.nanoTime();
                assertThat(visitor.visit(tenant.host(), slug).statusCode()).isEqualTo(302);
                millis.add(Duration.ofNanos(System.nanoTime() - asked).toMillis());
                LockSupport.parkNanos(Duration.ofMillis(50).toNanos());
                if (System.nanoTime() > nextByte) {
                    drip(slow);
                    nextByte += Duration.ofSeconds(6).toNanos();
                }
            }
        } finally {
            for (Socket socket : slow) {
                socket.close();
            }
        }
        Collections.sort(millis);
        assertThat(millis.get(millis.size() * 95 / 100)).as("19 of 20 links").isLessThan(100);
        assertThat(http().get("/sign-in").statusCode()).isEqualTo(200);
    }

    /** Those whose patience ran out were hung up on. */
    private static void drip(List<Socket> slow) {
        for (Socket socket : slow) {
            try {
                socket.getOutputStream().write('a');
            } catch (IOException e) {
                assertThat(e).isInstanceOf(java.net.SocketException.class);
            }
        }
    }
}

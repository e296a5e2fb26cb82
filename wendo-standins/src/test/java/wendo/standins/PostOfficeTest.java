package wendo.standins;

import static org.assertj.core.api.Assertions.assertThat;

import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import com.sun.net.httpserver.HttpServer;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class PostOfficeTest {
    private final HttpClient http = HttpClient.newHttpClient();

    private HttpResponse<String> send(int port, String path, String body, String key) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path));
        if (!body.isEmpty()) {
            request.header("Authorization", "Bearer " + key).POST(HttpRequest.BodyPublishers.ofString(body));
        }
        return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void it_shows_what_was_sent_once_and_tells_what_became_of_it() throws Exception {
        List<String> told = new ArrayList<>();
        HttpServer wendo = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        wendo.createContext("/", exchange -> {
            told.add(exchange.getRequestHeaders().getFirst("Authorization") + " "
                    + new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8));
            exchange.sendResponseHeaders(204, -1);
            exchange.close();
        });
        wendo.start();
        String news = "http://127.0.0.1:" + wendo.getAddress().getPort() + "/t/messages/news";
        try (PostOffice office = PostOffice.start(0, 0, news, "key")) {
            String text = "{\"id\": \"7\", \"kind\": \"text\", \"to\": \"+447700900123\", \"text\": \"Ahoy <Ines>\"}";
            assertThat(send(office.port(), "/texts", text, "other").statusCode())
                    .isEqualTo(401);
            assertThat(send(office.port(), "/texts", "{}", "key").statusCode()).isEqualTo(422);
            assertThat(send(office.port(), "/texts", text, "key").statusCode()).isEqualTo(202);
            assertThat(send(office.port(), "/texts", text, "key").statusCode()).isEqualTo(202);
            GreenMailUtil.sendTextEmail(
                    "ines@marsh.example",
                    "post@marrampoint.example",
                    "Your day",
                    "Which one?",
                    new ServerSetup(office.smtpPort(), "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
            String page = send(office.port(), "/", "", "").body();
            assertThat(page)
                    .containsOnlyOnce("Ahoy &lt;Ines&gt;")
                    .contains("Your day", "Which one?", "ines@marsh.example");
            assertThat(send(office.port(), "/answer", "id=7&event=replied&text=Yes+please", "")
                            .statusCode())
                    .isEqualTo(303);
            assertThat(told)
                    .containsExactly("Bearer key {\"id\": \"7\", \"event\": \"replied\", \"text\": \"Yes please\"}");
        } finally {
            wendo.stop(0);
        }
    }
}

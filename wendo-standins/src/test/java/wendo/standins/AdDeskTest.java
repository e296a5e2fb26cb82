package wendo.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class AdDeskTest {
    /** GNU coreutils 9.1: {@code printf ada@post.example | sha256sum}. */
    private static final String ADA = "316a373fb096a1dfe11c7b216e4314f59b1531a87465ec9a2779e7d1548d688d";

    private final HttpClient http = HttpClient.newHttpClient();
    private AdDesk desk;

    @BeforeEach
    void start() throws IOException {
        desk = AdDesk.start(0, "secret");
        desk.join(" Ada@Post.Example");
    }

    @AfterEach
    void stop() {
        desk.close();
    }

    private HttpResponse<String> post(String path, String body, String key) throws Exception {
        return http.send(
                HttpRequest.newBuilder(URI.create("http://localhost:" + desk.port() + path))
                        .header("Authorization", "Bearer " + key)
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void hashes_are_matched_by_its_own_hashing_and_taken_once() throws Exception {
        String other = "0".repeat(64);
        assertThat(post("/lists/a%20list/add", ADA + "\n" + other + "\n", "secret")
                        .body())
                .isEqualTo("{\"size\": 2, \"matched\": 1}");
        assertThat(post("/lists/a%20list/add", ADA, "secret").body()).isEqualTo("{\"size\": 2, \"matched\": 1}");
        assertThat(post("/lists/a%20list/remove", ADA, "secret").body()).isEqualTo("{\"size\": 1, \"matched\": 0}");
        assertThat(desk.list("a list")).containsExactly(other);
    }

    @Test
    void nothing_is_taken_of_a_call_with_a_line_that_is_not_hashed() throws Exception {
        HttpResponse<String> answer = post("/lists/a/add", ADA + "\nada@post.example", "secret");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).isEqualTo("Line 2 is not hashed. Nothing was taken.");
        assertThat(post("/lists/a/add", ADA, "wrong").statusCode()).isEqualTo(401);
        assertThat(desk.list("a")).isEmpty();
    }

    @Test
    void calls_of_a_tag_are_counted() throws Exception {
        for (int i = 0; i < 3; i++) {
            http.send(
                    HttpRequest.newBuilder(URI.create("http://localhost:" + desk.port() + "/tag/p-17.gif?e=view"))
                            .build(),
                    HttpResponse.BodyHandlers.discarding());
        }
        assertThat(desk.tagged("p-17")).isEqualTo(3);
    }
}

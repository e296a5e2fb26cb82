package wendo.app.platform.sending;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;

/**
 * Texts by a gateway that takes JSON: id, kind (text or voice), to, from, text, clip. It answers 2xx once it has taken a
 * message, 4xx if it never will.
 */
@Component
class HttpTextGateway implements TextGateway {
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private static final int CLIENT_FAULT = 400;
    private static final int SERVER_FAULT = 500;

    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(PATIENCE).build();
    private final JsonMapper json;
    private final String address;
    private final String key;

    HttpTextGateway(JsonMapper json, Installation installation) {
        this.json = json;
        this.address = installation.texts().address();
        this.key = installation.texts().key();
    }

    @Override
    public Sent send(Post post) {
        if (address.isEmpty()) {
            return new Sent.NotYet(Texts.of("platform.sending.no-text-gateway-is-set"));
        }
        Map<String, String> body = new LinkedHashMap<>();
        body.put("id", post.id().toString());
        body.put("kind", post.road().key());
        body.put("to", post.recipient());
        body.put("from", post.from());
        body.put("text", post.body());
        post.clip().ifPresent(clip -> body.put("clip", clip.address()));
        try {
            HttpResponse<String> answer = http.send(
                    HttpRequest.newBuilder(URI.create(address))
                            .timeout(PATIENCE)
                            .header("Content-Type", "application/json")
                            .header("Authorization", "Bearer " + key)
                            .POST(HttpRequest.BodyPublishers.ofString(json.writeValueAsString(body)))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            return read(answer.statusCode());
        } catch (IOException e) {
            return new Sent.NotYet(Texts.of("platform.sending.the-text-gateway-cannot-be"));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return new Sent.NotYet(Texts.of("platform.sending.wendo-is-stopping"));
        }
    }

    private static Sent read(int status) {
        if (status < 300) {
            return new Sent.Taken(Texts.of("platform.sending.the-text-gateway-has-taken"));
        }
        boolean isRefused = status >= CLIENT_FAULT && status < SERVER_FAULT && status != 408 && status != 429;
        return isRefused
                ? new Sent.Refused(Texts.of("platform.sending.the-text-gateway-refused-it", status))
                : new Sent.NotYet(Texts.of("platform.sending.the-text-gateway-answered-wendo", status));
    }
}

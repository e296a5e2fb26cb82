package wendo.app.prepare.destinations;

import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import org.apache.hc.client5.http.classic.methods.HttpUriRequestBase;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.config.RequestConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.core5.http.ContentType;
import org.apache.hc.core5.http.io.entity.StringEntity;
import org.apache.hc.core5.util.Timeout;
import org.springframework.stereotype.Component;

/**
 * Calls of a program of somebody else's at an address that the business gave: plain text or JSON, no redirects, 64 kB of
 * an answer. It can't be led into a private network unless the business allows that.
 */
@Component
public class OutsideCalls {
    private static final int MAX_ANSWER = 64 * 1024;
    private static final Timeout STEP = Timeout.of(10, TimeUnit.SECONDS);

    private final CloseableHttpClient open = build(false);
    private final CloseableHttpClient withLocal = build(true);

    /** @param key sent as a bearer token (RFC 6750); empty text for none */
    public record Call(String method, URI address, String key, String body) {}

    public record Answer(int status, String text) {
        public boolean isTaken() {
            return status >= 200 && status < 300;
        }
    }

    private static CloseableHttpClient build(boolean allowsLocal) {
        return HttpClients.custom()
                .setConnectionManager(PoolingHttpClientConnectionManagerBuilder.create()
                        .setDnsResolver(new PublicNames(allowsLocal))
                        .setDefaultConnectionConfig(ConnectionConfig.custom()
                                .setConnectTimeout(STEP)
                                .setSocketTimeout(STEP)
                                .build())
                        .build())
                .setDefaultRequestConfig(
                        RequestConfig.custom().setResponseTimeout(STEP).build())
                .setUserAgent("Wendo/1.0")
                .disableRedirectHandling()
                .disableCookieManagement()
                .disableAutomaticRetries()
                .build();
    }

    /** Throws where nobody answers. */
    public Answer call(Call call, boolean allowsLocal) throws IOException {
        HttpUriRequestBase request = new HttpUriRequestBase(call.method(), call.address());
        if (!call.key().isEmpty()) {
            request.setHeader("Authorization", "Bearer " + call.key());
        }
        if (!call.body().isEmpty()) {
            request.setEntity(new StringEntity(
                    call.body(),
                    call.body().startsWith("{")
                            ? ContentType.APPLICATION_JSON
                            : ContentType.create("text/plain", StandardCharsets.UTF_8)));
        }
        return (allowsLocal ? withLocal : open).execute(request, response -> {
            String text = response.getEntity() == null
                    ? ""
                    : new String(response.getEntity().getContent().readNBytes(MAX_ANSWER), StandardCharsets.UTF_8);
            return new Answer(response.getCode(), text);
        });
    }
}

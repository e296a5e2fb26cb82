package wendo.app.prepare.destinations;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.security.cert.X509Certificate;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import javax.net.ssl.SSLPeerUnverifiedException;
import org.apache.hc.client5.http.classic.methods.HttpGet;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.config.RequestConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.client5.http.protocol.HttpClientContext;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.ContentType;
import org.apache.hc.core5.http.HttpEntity;
import org.apache.hc.core5.util.Timeout;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import wendo.core.links.WebAddress;

/**
 * Fetches one page without following anything: 1 MB of text at most, and not beyond a given end. It can't be led into a
 * private network unless the caller says that the business allows that.
 */
@Component
class PageFetch {
    static final int MAX_BYTES = 1024 * 1024;
    static final int MAX_PICTURE = 5 * 1024 * 1024;

    private static final Timeout STEP = Timeout.ofSeconds(4);
    private static final String CALLER = "WendoBot/1.0 (looks whether a page answers)";

    private final CloseableHttpClient open = build(false);
    private final CloseableHttpClient withLocal = build(true);
    private final ScheduledExecutorService watch = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "page-patience");
        thread.setDaemon(true);
        return thread;
    });

    /** @param leadsTo where a redirect leads, as it was written */
    record Answer(int status, Optional<String> leadsTo, String text, Optional<Instant> certificateUntil) {}

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
                .setUserAgent(CALLER)
                .disableRedirectHandling()
                .disableCookieManagement()
                .disableAutomaticRetries()
                .build();
    }

    Answer fetch(WebAddress address, boolean allowsLocal, Instant end) throws IOException {
        HttpGet request = new HttpGet(URI.create(address.toString().replaceFirst("#.*$", "")));
        request.setHeader("Accept", "text/html,application/xhtml+xml,*/*;q=0.8");
        HttpClientContext context = HttpClientContext.create();
        return until(
                end,
                request,
                () -> client(allowsLocal).execute(request, context, response -> read(request, response, context)));
    }

    /** A picture of 5 MB at most; empty if the address answers with anything else. */
    Optional<byte[]> fetchPicture(WebAddress address, boolean allowsLocal, Instant end) throws IOException {
        HttpGet request = new HttpGet(URI.create(address.toString().replaceFirst("#.*$", "")));
        request.setHeader("Accept", "image/jpeg,image/png");
        return until(
                end,
                request,
                () -> client(allowsLocal).execute(request, response -> {
                    Optional<byte[]> picture =
                            response.getCode() == 200 ? picture(response.getEntity()) : Optional.empty();
                    request.cancel();
                    return picture;
                }));
    }

    private CloseableHttpClient client(boolean allowsLocal) {
        return allowsLocal ? withLocal : open;
    }

    private interface Exchange<T> {
        T run() throws IOException;
    }

    private <T> T until(Instant end, HttpGet request, Exchange<T> exchange) throws IOException {
        long left = Math.max(1, Duration.between(Instant.now(), end).toMillis());
        ScheduledFuture<?> deadline = watch.schedule(request::cancel, left, TimeUnit.MILLISECONDS);
        try {
            return exchange.run();
        } finally {
            deadline.cancel(false);
        }
    }

    private static Optional<byte[]> picture(@Nullable HttpEntity entity) throws IOException {
        if (entity == null
                || entity.getContentType() == null
                || !entity.getContentType().startsWith("image/")) {
            return Optional.empty();
        }
        byte[] file = entity.getContent().readNBytes(MAX_PICTURE + 1);
        return file.length <= MAX_PICTURE ? Optional.of(file) : Optional.empty();
    }

    private static Answer read(HttpGet request, ClassicHttpResponse response, HttpClientContext context)
            throws IOException {
        int status = response.getCode();
        Optional<String> location = status >= 300 && status < 400 && response.getFirstHeader("Location") != null
                ? Optional.of(response.getFirstHeader("Location").getValue())
                : Optional.empty();
        String text = location.isPresent() ? "" : text(response.getEntity());
        request.cancel(); // the rest of a longer answer is not read
        return new Answer(status, location, text, certificateEnd(context));
    }

    private static String text(@Nullable HttpEntity entity) throws IOException {
        if (entity == null
                || entity.getContentType() == null
                || !entity.getContentType().matches("(?i).*(html|text/plain).*")) {
            return "";
        }
        InputStream content = entity.getContent();
        ContentType type = ContentType.parseLenient(entity.getContentType());
        Charset charset = type == null || type.getCharset() == null ? StandardCharsets.UTF_8 : type.getCharset();
        return new String(content.readNBytes(MAX_BYTES), charset);
    }

    private static Optional<Instant> certificateEnd(HttpClientContext context) {
        if (context.getSSLSession() == null) {
            return Optional.empty();
        }
        try {
            X509Certificate own = (X509Certificate) context.getSSLSession().getPeerCertificates()[0];
            return Optional.of(own.getNotAfter().toInstant());
        } catch (SSLPeerUnverifiedException e) {
            return Optional.empty();
        }
    }
}

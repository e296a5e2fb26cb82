package wendo.standins;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A mail server and a text gateway that deliver nothing: one page shows what was sent, and lets texts be delivered,
 * answered and opted out of.
 */
public final class PostOffice implements AutoCloseable {
    private static final Pattern FIELD = Pattern.compile("\"([a-z]+)\"\\s*:\\s*\"((?:[^\"\\\\]|\\\\.)*)\"");
    private static final int MAX_TEXT = 20_000;

    private final GreenMail mail;
    private final HttpServer server;
    private final ExecutorService threads = Executors.newFixedThreadPool(4);
    private final HttpClient http = HttpClient.newHttpClient();
    private final Map<String, Map<String, String>> texts = new LinkedHashMap<>();
    private final String newsAddress;
    private final String key;

    private PostOffice(GreenMail mail, HttpServer server, String newsAddress, String key) {
        this.mail = mail;
        this.server = server;
        this.newsAddress = newsAddress;
        this.key = key;
    }

    /** Ports may be 0 for any free one. */
    public static PostOffice start(int smtpPort, int port, String newsAddress, String key) throws IOException {
        GreenMail mail = new GreenMail(new ServerSetup(smtpPort, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
        mail.start();
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        PostOffice office = new PostOffice(mail, server, newsAddress, key);
        server.createContext("/texts", office::take);
        server.createContext("/answer", office::answer);
        server.createContext("/", office::show);
        server.setExecutor(office.threads);
        server.start();
        return office;
    }

    public int port() {
        return server.getAddress().getPort();
    }

    public int smtpPort() {
        return mail.getSmtp().getPort();
    }

    @Override
    public void close() {
        server.stop(0);
        threads.shutdownNow();
        mail.stop();
    }

    /** The same text given twice is one: it is known by its id. */
    private void take(HttpExchange exchange) throws IOException {
        try (exchange) {
            boolean isKnown =
                    ("Bearer " + key).equals(exchange.getRequestHeaders().getFirst("Authorization"));
            Map<String, String> text =
                    fields(new String(exchange.getRequestBody().readNBytes(MAX_TEXT), StandardCharsets.UTF_8));
            int status = !isKnown ? 401 : text.containsKey("id") && text.containsKey("to") ? 202 : 422;
            if (status == 202) {
                synchronized (texts) {
                    texts.putIfAbsent(text.getOrDefault("id", ""), text);
                }
            }
            exchange.sendResponseHeaders(status, -1);
        }
    }

    private static Map<String, String> fields(String json) {
        Map<String, String> fields = new LinkedHashMap<>();
        Matcher found = FIELD.matcher(json);
        while (found.find()) {
            fields.put(found.group(1), found.group(2).translateEscapes());
        }
        return fields;
    }

    /** Tells Wendo what became of a text. */
    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            Map<String, String> form = DemoSite.form(exchange.getRequestBody());
            String said = form.getOrDefault("text", "").replace("\\", "").replace("\"", "'");
            String body = "{\"id\": \"%s\", \"event\": \"%s\", \"text\": \"%s\"}"
                    .formatted(form.getOrDefault("id", ""), form.getOrDefault("event", ""), said);
            HttpRequest request = HttpRequest.newBuilder(URI.create(newsAddress))
                    .header("Content-Type", "application/json")
                    .header("Authorization", "Bearer " + key)
                    .POST(HttpRequest.BodyPublishers.ofString(body))
                    .build();
            http.send(request, HttpResponse.BodyHandlers.discarding());
            exchange.getResponseHeaders().set("Location", "/");
            exchange.sendResponseHeaders(303, -1);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void show(HttpExchange exchange) throws IOException {
        try (exchange) {
            StringBuilder page = new StringBuilder(
                    "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><title>Post that went out</title><h1>Texts</h1>");
            synchronized (texts) {
                texts.values().forEach(text -> page.append(shown(text)));
            }
            page.append("<h1>Mail</h1>");
            for (MimeMessage message : mail.getReceivedMessages()) {
                page.append("<article><h2>%s</h2><p>To %s</p><pre>%s</pre></article>"
                        .formatted(
                                DemoSite.escape(String.valueOf(message.getSubject())),
                                DemoSite.escape(String.valueOf(message.getAllRecipients()[0])),
                                DemoSite.escape(GreenMailUtil.getBody(message))));
            }
            byte[] bytes = page.toString().getBytes(StandardCharsets.UTF_8);
            exchange.getResponseHeaders().set("Content-Type", "text/html; charset=utf-8");
            exchange.sendResponseHeaders(200, bytes.length);
            exchange.getResponseBody().write(bytes);
        } catch (MessagingException e) {
            throw new IOException(e);
        }
    }

    private static String shown(Map<String, String> text) {
        StringBuilder buttons = new StringBuilder();
        for (String event : new String[] {"delivered", "replied", "opted-out"}) {
            buttons.append("<button name=\"event\" value=\"%s\">%s</button> ".formatted(event, event));
        }
        return """
                <article><h2>To %s</h2><p>%s%s</p><form method="post" action="/answer"><input type="hidden" name="id" value="%s">
                <label>Answer <input name="text"></label> %s</form></article>
                """.formatted(
                        DemoSite.escape(text.getOrDefault("to", "")),
                        DemoSite.escape(text.getOrDefault("text", "")),
                        DemoSite.escape(text.containsKey("clip") ? " [" + text.get("clip") + "]" : ""),
                        DemoSite.escape(text.getOrDefault("id", "")),
                        buttons);
    }
}

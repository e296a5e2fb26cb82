package wendo.app;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import tools.jackson.databind.JsonNode;

/** A real SMTP server and a text gateway for all tests; each test looks for its own recipients. */
public final class TestPost {
    public static final String GATEWAY_KEY = "between-us";
    private static final TestPost INSTANCE = new TestPost();

    private final GreenMail mail = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
    private final HttpServer gateway;
    private final List<JsonNode> texts = new CopyOnWriteArrayList<>();
    private final Map<String, Integer> answers = new ConcurrentHashMap<>();

    private TestPost() {
        mail.start();
        try {
            gateway = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        gateway.createContext("/", this::take);
        gateway.start();
    }

    public static TestPost instance() {
        return INSTANCE;
    }

    private void take(HttpExchange exchange) throws IOException {
        try (exchange) {
            JsonNode text = Http.json(
                    new String(exchange.getRequestBody().readAllBytes(), java.nio.charset.StandardCharsets.UTF_8));
            boolean isOurs = ("Bearer " + GATEWAY_KEY)
                    .equals(exchange.getRequestHeaders().getFirst("Authorization"));
            int status = isOurs ? answers.getOrDefault(text.get("to").asString(), 202) : 401;
            if (status < 300) {
                texts.add(text);
            }
            exchange.sendResponseHeaders(status, -1);
        }
    }

    /** What the gateway answers for a number from now on. */
    public void answer(String number, int status) {
        answers.put(number, status);
    }

    /** What an application that sends by these is told. */
    static Map<String, String> settings() {
        return Map.of(
                "WENDO_MAIL_HOST",
                "127.0.0.1",
                "WENDO_MAIL_PORT",
                String.valueOf(INSTANCE.mail.getSmtp().getPort()),
                "WENDO_MAIL_RETURNED_KEY",
                GATEWAY_KEY,
                "WENDO_TEXT_GATEWAY",
                "http://127.0.0.1:" + INSTANCE.gateway.getAddress().getPort() + "/texts",
                "WENDO_TEXT_GATEWAY_KEY",
                GATEWAY_KEY);
    }

    public List<JsonNode> textsTo(String number) {
        return texts.stream()
                .filter(text -> text.get("to").asString().equals(number))
                .toList();
    }

    public List<MimeMessage> mailTo(String address) {
        return Arrays.stream(mail.getReceivedMessages())
                .filter(message -> {
                    try {
                        return message.getAllRecipients()[0].toString().equals(address);
                    } catch (MessagingException e) {
                        throw new IllegalStateException(e);
                    }
                })
                .toList();
    }
}

package wendo.standins;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/** The website of Marram Point Sailing: an enquiry form, course bookings and a voucher shop, with Wendo's site tag. */
public final class DemoSite implements AutoCloseable {
    /** The only page whose tag says that links earn; the other guide was forgotten. */
    private static final String DISCLOSING = "guides-what-a-boat-costs";

    private static final int MAX_FORM = 20_000;
    private static final String POLICY =
            "default-src 'self'; script-src 'self' %s; connect-src 'self' %s; frame-src %s; frame-ancestors 'none'";

    /** What a page says of itself to whoever draws a card of it. */
    private record Said(String title, String about) {}

    private static final Map<String, Said> SAID = Map.of(
            "home",
            new Said(
                    "Learn to sail on a quiet bay",
                    "Courses for beginners, days for groups, and vouchers to give away."),
            "courses",
            new Said(
                    "Sailing courses at Marram Point",
                    "Taster sessions, weekends and a children's week, in small groups. Boats, suits and lifejackets are lent."),
            "enquiry",
            new Said("A day on the water for your group", "Tell us how many you are and when; we answer within a day."),
            "vouchers",
            new Said("Give away a day at sea", "Vouchers for any course, by e-mail or on paper, good for two years."),
            DISCLOSING,
            new Said("What a boat costs", "Mooring, winter, sails and cover for a small boat on the estuary."),
            "guides-your-first-dinghy",
            new Said("Your first dinghy", "What to look for, and what to leave."));

    private final HttpServer server;
    private final ExecutorService threads = Executors.newFixedThreadPool(8);
    private final Orders orders = new Orders();
    private final String linkOrigin;
    private final String siteKey;

    private DemoSite(HttpServer server, String linkOrigin, String siteKey) {
        this.server = server;
        this.linkOrigin = linkOrigin;
        this.siteKey = siteKey;
    }

    /** @param port 0 for any free one */
    public static DemoSite start(int port, String linkOrigin, String siteKey) throws IOException {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        DemoSite site = new DemoSite(server, linkOrigin, siteKey);
        server.createContext("/", site::answer);
        server.setExecutor(site.threads);
        server.start();
        return site;
    }

    public int port() {
        return server.getAddress().getPort();
    }

    @Override
    public void close() {
        server.stop(0);
        threads.shutdownNow();
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            String path = exchange.getRequestURI().getPath();
            if (exchange.getRequestMethod().equals("POST")) {
                order(exchange, path);
                return;
            }
            switch (path) {
                case "/" -> page(exchange, 200, "home");
                case "/guides/what-a-boat-costs", "/guides/your-first-dinghy" ->
                    page(exchange, 200, path.substring(1).replace('/', '-'));
                case "/courses", "/enquiry", "/vouchers" -> page(exchange, 200, path.substring(1));
                case "/within" -> within(exchange);
                case "/thanks" -> thanks(exchange);
                case "/bay.png" -> picture(exchange);
                case "/site.css" -> file(exchange, "site.css", "text/css");
                case "/favicon.ico" -> exchange.sendResponseHeaders(204, -1);
                default -> page(exchange, 404, "missing");
            }
        }
    }

    /** Takes a form and sends on to a thank-you page that can be loaded again without ordering again. */
    private void order(HttpExchange exchange, String path) throws IOException {
        Map<String, String> form = form(exchange.getRequestBody());
        String reference = orders.place(path, form);
        if (reference.isEmpty()) {
            page(exchange, 422, "missing");
            return;
        }
        exchange.getResponseHeaders().set("Location", "/thanks?ref=" + reference);
        exchange.sendResponseHeaders(303, -1);
    }

    private void thanks(HttpExchange exchange) throws IOException {
        String query = exchange.getRequestURI().getQuery();
        Orders.Order order = orders.find(query == null ? "" : query.replaceFirst("^ref=", ""));
        if (order == null) {
            page(exchange, 404, "missing");
            return;
        }
        send(
                exchange,
                200,
                filled(
                        "thanks",
                        Map.of(
                                "kind",
                                order.kind(),
                                "reference",
                                order.reference(),
                                "value",
                                order.value(),
                                "what",
                                order.what())));
    }

    /** A page with a form or a signpost of Wendo in it: {@code ?form=ID&button=Book} or {@code ?signpost=ID}. */
    private void within(HttpExchange exchange) throws IOException {
        String query = String.valueOf(exchange.getRequestURI().getRawQuery());
        Map<String, String> asked = form(new ByteArrayInputStream(query.getBytes(StandardCharsets.UTF_8)));
        StringBuilder attributes = new StringBuilder();
        for (String name : List.of("form", "list", "signpost", "button")) {
            if (asked.containsKey(name)) {
                attributes.append(" data-%s=\"%s\"".formatted(name, escape(asked.getOrDefault(name, ""))));
            }
        }
        send(exchange, 200, filled("within", Map.of()).replace("{{embedded}}", attributes));
    }

    private void page(HttpExchange exchange, int status, String name) throws IOException {
        send(exchange, status, filled(name, Map.of()));
    }

    private String filled(String name, Map<String, String> values) throws IOException {
        Map<String, String> all = new HashMap<>(values);
        all.put("linkOrigin", linkOrigin);
        all.put("siteKey", siteKey);
        Said said = SAID.getOrDefault(name, new Said("Marram Point Sailing", ""));
        all.put("title", said.title());
        all.put("about", said.about());
        String page = read("frame.html").replace("{{content}}", read(name + ".html"));
        for (Map.Entry<String, String> value : all.entrySet()) {
            page = page.replace("{{" + value.getKey() + "}}", escape(value.getValue()));
        }
        return page.replace("{{disclosure}}", name.equals(DISCLOSING) ? " data-disclosure" : "");
    }

    private void send(HttpExchange exchange, int status, String page) throws IOException {
        exchange.getResponseHeaders().set("Content-Type", "text/html; charset=utf-8");
        exchange.getResponseHeaders()
                .set("Content-Security-Policy", POLICY.formatted(linkOrigin, linkOrigin, linkOrigin));
        byte[] bytes = page.getBytes(StandardCharsets.UTF_8);
        exchange.sendResponseHeaders(status, bytes.length);
        exchange.getResponseBody().write(bytes);
    }

    private static void picture(HttpExchange exchange) throws IOException {
        byte[] bytes = DrawnBay.png();
        exchange.getResponseHeaders().set("Content-Type", "image/png");
        exchange.sendResponseHeaders(200, bytes.length);
        exchange.getResponseBody().write(bytes);
    }

    private static void file(HttpExchange exchange, String name, String type) throws IOException {
        byte[] bytes = read(name).getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().set("Content-Type", type);
        exchange.sendResponseHeaders(200, bytes.length);
        exchange.getResponseBody().write(bytes);
    }

    private static String read(String name) throws IOException {
        try (InputStream in = DemoSite.class.getResourceAsStream("/site/" + name)) {
            if (in == null) {
                throw new IOException("The site's file " + name + " is missing");
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    static Map<String, String> form(InputStream in) throws IOException {
        Map<String, String> form = new HashMap<>();
        for (String pair : new String(in.readNBytes(MAX_FORM), StandardCharsets.UTF_8).split("&", -1)) {
            int equals = pair.indexOf('=');
            if (equals > 0) {
                form.put(
                        URLDecoder.decode(pair.substring(0, equals), StandardCharsets.UTF_8),
                        URLDecoder.decode(pair.substring(equals + 1), StandardCharsets.UTF_8));
            }
        }
        return form;
    }

    static String escape(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }
}

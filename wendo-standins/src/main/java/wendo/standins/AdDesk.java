package wendo.standins;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/**
 * An ad desk: takes lists of hashed contacts, one a line, adds and removes them, and tells how many of a list it knows. It
 * hashes its own members itself to compare, and refuses a call with any line that is no hash. It also takes the calls that
 * a page's tag makes, and shows all of it on one page.
 */
public final class AdDesk implements AutoCloseable {
    private static final int MAX_BODY = 2_000_000;
    private static final int MOST_LINES = 10_000;

    /** A transparent picture of one point (GIF89a). */
    private static final byte[] PICTURE =
            Base64.getDecoder().decode("R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7");

    /** What a page that measures loads: it fetches the picture in its turn, and tells whether it sees any cookie. */
    private static final String SCRIPT = """
            (() => {
              const script = document.currentScript;
              let sees = "nothing";
              try { sees = document.cookie ? "cookies" : "nothing"; } catch (e) { sees = "nothing"; }
              new Image().src = new URL("/tag/" + new URL(script.src).searchParams.get("id") + ".gif?sees=" + sees, script.src);
            })();
            """;

    private final HttpServer server;
    private final ExecutorService threads = Executors.newFixedThreadPool(4);
    private final String key;
    private final Set<String> members = new HashSet<>();
    private final Map<String, Set<String>> lists = new TreeMap<>();
    private final Map<String, Integer> tags = new TreeMap<>();
    private boolean sawCookies;

    private AdDesk(HttpServer server, String key) {
        this.server = server;
        this.key = key;
    }

    /** @param port 0 for any free one */
    public static AdDesk start(int port, String key) throws IOException {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        AdDesk desk = new AdDesk(server, key);
        server.createContext("/", desk::answer);
        server.setExecutor(desk.threads);
        server.start();
        return desk;
    }

    public int port() {
        return server.getAddress().getPort();
    }

    @Override
    public void close() {
        server.stop(0);
        threads.shutdownNow();
    }

    /** Somebody who has an account here, by their e-mail address or phone number as they typed it. */
    public void join(String contact) {
        String plain = contact.strip().toLowerCase(Locale.ROOT);
        synchronized (lists) {
            members.add(hash(plain.indexOf('@') >= 0 ? plain : plain.replaceAll("[^0-9+]", "")));
        }
    }

    /** What a list holds now. */
    public Set<String> list(String name) {
        synchronized (lists) {
            return Set.copyOf(lists.getOrDefault(name, Set.of()));
        }
    }

    /** How many calls a tag made. */
    public int tagged(String tag) {
        synchronized (lists) {
            return tags.getOrDefault(tag, 0);
        }
    }

    /** Whether a script of ours saw a cookie of the page that it ran on. */
    public boolean sawCookies() {
        synchronized (lists) {
            return sawCookies;
        }
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            List<String> path =
                    List.of(exchange.getRequestURI().getRawPath().substring(1).split("/"));
            if (path.get(0).equals("lists") && path.size() >= 2) {
                lists(
                        exchange,
                        URLDecoder.decode(path.get(1), StandardCharsets.UTF_8),
                        path.size() > 2 ? path.get(2) : "");
            } else if (path.get(0).equals("tag") && path.size() == 2) {
                called(exchange, path.get(1));
            } else if (path.get(0).equals("tag.js")) {
                send(exchange, 200, "text/javascript", SCRIPT);
            } else {
                send(exchange, 200, "text/html", page());
            }
        }
    }

    /** A picture that a page fetches, or a call from a server. */
    private void called(HttpExchange exchange, String tag) throws IOException {
        synchronized (lists) {
            sawCookies |= "sees=cookies".equals(exchange.getRequestURI().getQuery());
            tags.merge(tag.replaceFirst("\\.gif$", ""), 1, Integer::sum);
        }
        if (tag.endsWith(".gif")) {
            exchange.getResponseHeaders().set("Content-Type", "image/gif");
            exchange.sendResponseHeaders(200, PICTURE.length);
            exchange.getResponseBody().write(PICTURE);
        } else {
            exchange.sendResponseHeaders(204, -1);
        }
    }

    private void lists(HttpExchange exchange, String name, String change) throws IOException {
        if (!("Bearer " + key).equals(exchange.getRequestHeaders().getFirst("Authorization"))) {
            send(exchange, 401, "text/plain", "Send this desk's key as a bearer token.");
            return;
        }
        if (exchange.getRequestMethod().equals("POST")) {
            String body = new String(exchange.getRequestBody().readNBytes(MAX_BODY), StandardCharsets.UTF_8);
            List<String> lines = body.lines().filter(line -> !line.isBlank()).toList();
            for (int i = 0; i < lines.size(); i++) {
                if (!lines.get(i).matches("[0-9a-f]{64}")) {
                    send(exchange, 422, "text/plain", "Line %d is not hashed. Nothing was taken.".formatted(i + 1));
                    return;
                }
            }
            if (lines.size() > MOST_LINES) {
                send(exchange, 413, "text/plain", "At most %d lines at once.".formatted(MOST_LINES));
                return;
            }
            change(name, change, lines);
        }
        synchronized (lists) {
            Set<String> list = lists.getOrDefault(name, Set.of());
            long matched = list.stream().filter(members::contains).count();
            send(exchange, 200, "application/json", "{\"size\": %d, \"matched\": %d}".formatted(list.size(), matched));
        }
    }

    private void change(String name, String change, List<String> lines) {
        synchronized (lists) {
            Set<String> list = lists.computeIfAbsent(name, one -> new HashSet<>());
            if (change.equals("remove")) {
                lines.forEach(list::remove);
            } else {
                list.addAll(lines);
            }
        }
    }

    private String page() {
        StringBuilder page = new StringBuilder(
                "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><title>Ad desk</title><h1>Lists</h1>");
        synchronized (lists) {
            lists.forEach((name, list) -> page.append("<p>%s: %d people, %d of them known here</p>"
                    .formatted(
                            DemoSite.escape(name),
                            list.size(),
                            list.stream().filter(members::contains).count())));
            page.append("<h1>Tags</h1>");
            tags.forEach((tag, calls) -> page.append("<p>%s: %d calls</p>".formatted(DemoSite.escape(tag), calls)));
        }
        return page.toString();
    }

    private static String hash(String text) {
        try {
            StringBuilder hex = new StringBuilder();
            for (byte one : MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8))) {
                hex.append(Character.forDigit((one >> 4) & 15, 16)).append(Character.forDigit(one & 15, 16));
            }
            return hex.toString();
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void send(HttpExchange exchange, int status, String type, String text) throws IOException {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().set("Content-Type", type + "; charset=utf-8");
        exchange.sendResponseHeaders(status, bytes.length);
        exchange.getResponseBody().write(bytes);
    }
}
